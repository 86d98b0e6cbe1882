import { defineConfig } from 'vite'

export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    sourcemap: true,
    // The tasks of its own thread are a file of their own.
    rolldownOptions: {
      input: { main: 'src/main.ts', heavy: 'src/run/heavy.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
})
