import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/**
 * The toasts write their own style sheet into the page, which the content security policy forbids.
 * It is taken from their package instead, like any other.
 */
const toastStylesFromFile: Plugin = {
  name: 'toast-styles-from-file',
  transform(code, id) {
    if (!/node_modules\/sonner\/dist\/index\.mjs/.test(id)) return null;
    return { code: code.replace(/^__insertCSS\(".*"\);?$/m, ''), map: null };
  },
};

/** The faces of the first screen: Latin, upright. Others are fetched when a letter needs them. */
const FIRST_FACES =
  /(?:fraunces-latin-full|atkinson-hyperlegible-next-latin-wght)-normal-.*\.woff2$/;
/** Asks for the faces with the page, so that text is not drawn in another one and moved. */
const preloadFaces: Plugin = {
  name: 'preload-faces',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => FIRST_FACES.test(file))
        .map((file) => ({
          tag: 'link',
          attrs: {
            rel: 'preload',
            as: 'font',
            type: 'font/woff2',
            crossorigin: '',
            href: `/${file}`,
          },
          injectTo: 'head',
        })),
  },
};

export default defineConfig({
  plugins: [
    react(),
    toastStylesFromFile,
    preloadFaces,
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
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'service-worker.ts',
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        // Labels are not printed in mid-boil: their reader and letters are fetched when they are
        // wanted, then kept.
        globIgnores: ['**/pdf*', '**/preview*'],
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
