import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      useCredentials: true,
      manifest: {
        id: '/',
        name: 'Usual Drag',
        short_name: 'Usual Drag',
        description: 'What a real meter does to the circuit it measures.',
        lang: 'en',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f1e7',
        theme_color: '#22303c',
        icons: [
          { src: 'icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: 'icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: 'icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
          { src: 'mark.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        clientsClaim: true,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/sign-/],
        runtimeCaching: [
          {
            // What a page needs to be opened again without the server: documents and their lists, not files and backups.
            urlPattern: ({ url, sameOrigin }) =>
              sameOrigin &&
              /^\/api\/(devices|instruments|meter-projects|jobs|jobs\/(?!export)[^/]+(\/(signatures|drawing))?)$/.test(
                url.pathname,
              ),
            handler: 'NetworkFirst',
            options: {
              cacheName: 'answers',
              networkTimeoutSeconds: 5,
              cacheableResponse: { statuses: [200] },
              expiration: { maxEntries: 300 },
            },
          },
        ],
      },
    }),
  ],
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2023', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 5173, proxy: { '/api': 'http://127.0.0.1:8470' } },
});
