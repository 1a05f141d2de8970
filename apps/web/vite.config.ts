import { join } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { guide } from './guide-plugin.ts';
import { bundledPackages } from '../../scripts/release/bundled-packages.ts';

const packages = bundledPackages(join(import.meta.dirname, 'dist'), [
  '@fontsource-variable/atkinson-hyperlegible-mono',
  '@fontsource-variable/atkinson-hyperlegible-next',
  'tailwindcss',
  'workbox-cacheable-response',
  'workbox-core',
  'workbox-expiration',
  'workbox-precaching',
  'workbox-routing',
  'workbox-strategies',
]);

export default defineConfig({
  root: import.meta.dirname,
  // The path of the application on its host is known to the server alone.
  base: './',
  plugins: [
    packages.write,
    guide(),
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      useCredentials: true,
      manifest: {
        name: 'Usual Drag',
        short_name: 'Usual Drag',
        description: 'What a real meter does to the circuit it measures.',
        lang: 'en',
        start_url: './',
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
        // Pictures of the guide come when they are looked at, and stay.
        globIgnores: ['assets/*.png'],
        clientsClaim: true,
        navigateFallback: 'index.html',
        navigateFallbackDenylist: [/\/api\//, /\/sign-/, /\/licences\.txt$/],
        runtimeCaching: [
          {
            urlPattern: ({ url, sameOrigin }) => sameOrigin && /\/assets\/[^/]+\.png$/.test(url.pathname),
            handler: 'CacheFirst',
            options: { cacheName: 'pictures', expiration: { maxEntries: 40 } },
          },
          {
            // What a page needs to be opened again without the server: documents and their lists, not files and backups.
            urlPattern: ({ url, sameOrigin }) =>
              sameOrigin &&
              /\/api\/(devices|instruments|meter-projects|jobs|jobs\/(?!export)[^/]+(\/(signatures|drawing))?)$/.test(
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
  worker: { plugins: () => [packages.collect] },
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2023', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 5173, proxy: { '/api': 'http://127.0.0.1:8470' } },
});
