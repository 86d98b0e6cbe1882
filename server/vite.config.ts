import { defineConfig } from 'vite'

export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    sourcemap: true,
    // The tasks of its own threads are a file of their own, and so is the drive that stands in for a real one.
    rolldownOptions: {
      input: { main: 'src/main.ts', heavy: 'src/run/heavy.ts', 'stand-in-drive': 'src/vfd/stand-in-main.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
})
