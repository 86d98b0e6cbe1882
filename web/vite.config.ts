import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react()],
  server: {
    host: '127.0.0.1',
    port: 5173,
    strictPort: true,
    proxy: { '/api': { target: `http://127.0.0.1:${process.env['API_PORT'] ?? '4170'}`, ws: true } },
  },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
})
