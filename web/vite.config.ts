import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import vuetify from 'vite-plugin-vuetify'

export default defineConfig({
  plugins: [
    vue(),
    vuetify(),
    VitePWA({
      // the page registers it itself, and goes over to a newer build when somebody says so
      injectRegister: false,
      registerType: 'prompt',
      manifest: {
        id: '/',
        name: 'Dewpoint',
        short_name: 'Dewpoint',
        description: 'Finds out why a boiler gives no heat or no hot water',
        lang: 'en',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f2ea',
        theme_color: '#f6f2ea',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        // every place, every catalogue and all shipped signatures: what works with a server works without
        globPatterns: ['**/*.{js,css,html,svg,png,woff,woff2,gz,webmanifest}'],
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
        navigateFallbackDenylist: [/^\/api\//],
        clientsClaim: true,
        skipWaiting: false,
        cleanupOutdatedCaches: true,
        sourcemap: false,
      },
    }),
  ],
  build: { target: 'es2022', chunkSizeWarningLimit: 700, assetsInlineLimit: 0 },
  worker: { format: 'es' },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:5280' } },
})
