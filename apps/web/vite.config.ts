import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'autoUpdate',
      includeAssets: ['kettle.svg'],
      manifest: {
        name: 'Idle Kettle',
        short_name: 'Kettle',
        description: 'The bench a home preserver stands at.',
        theme_color: '#FBF6EC',
        background_color: '#FBF6EC',
        display: 'standalone',
        icons: [{ src: 'kettle.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        // Labels are not printed in mid-boil: their reader and letters are fetched when they are
        // wanted, then kept.
        globIgnores: ['**/pdf*', '**/preview*'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        // With the server away a reload in mid-boil still shows the last known state; the outbox
        // holds the rest.
        runtimeCaching: [
          {
            urlPattern: ({ url, request }) =>
              // Parts of a log are put together by the page, which keeps the whole; of the shelf
              // its first page is kept.
              request.method === 'GET' &&
              (url.search === '' ||
                (url.pathname.startsWith('/api/shelf') &&
                  !/[?&](after|search)=/.test(url.search))) &&
              /^\/api\/(batches|kitchens|formulas|shelf|freezer)/.test(url.pathname),
            handler: 'NetworkFirst',
            options: {
              cacheName: 'last-known',
              networkTimeoutSeconds: 3,
              expiration: { maxEntries: 300 },
            },
          },
        ],
      },
    }),
  ],
  // Working on it; see ./kettle dev.
  server: {
    host: '127.0.0.1',
    port: Number(process.env.KETTLE_DEV_PORT ?? 4783),
    strictPort: true,
    proxy: { '/api': `http://127.0.0.1:${process.env.KETTLE_PORT ?? 4780}` },
  },
  build: { target: 'es2022', sourcemap: false },
});
