import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'

/** Fonts are asked for with the page: drawn in another font first, its lines would break elsewhere and move what is below them. */
const fontsFirst = (): Plugin => ({
  name: 'fonts-first',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => file.endsWith('.woff2'))
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: '', href: `/${file}` },
          injectTo: 'head-prepend',
        })),
  },
})

export default defineConfig({
  plugins: [
    react(),
    fontsFirst(),
    // Compressed once, and not at each request: by brotli a phone loads an eighth less.
    compression({
      include: /\.(js|css|svg)$/,
      threshold: 1000,
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
    }),
    VitePWA({
      // A newer version waits until it is called for: reloading by itself would lose a half-written stop.
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Motor Round',
        short_name: 'Motor Round',
        description: 'Motors that move a building’s air: read, judged, kept',
        start_url: '/rounds',
        display: 'standalone',
        background_color: '#e6eaeb',
        theme_color: '#10181d',
        icons: [
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: 6_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        clientsClaim: true,
        skipWaiting: false,
        cleanupOutdatedCaches: true,
        // Pictures never change: those that were taken along are shown from here.
        runtimeCaching: [
          {
            urlPattern: ({ url }) => /^\/api\/v1\/(map-)?pictures\//.test(url.pathname),
            handler: 'CacheFirst',
            options: { cacheName: 'pictures', expiration: { maxEntries: 400 } },
          },
        ],
      },
    }),
  ],
  server: {
    host: '127.0.0.1',
    port: 5173,
    strictPort: true,
    proxy: { '/api': { target: `http://127.0.0.1:${process.env['API_PORT'] ?? '4170'}`, ws: true } },
  },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
})
