import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const api = `http://127.0.0.1:${process.env.API_PORT ?? '4780'}`;

/**
 * A reload without the server shows the app with what it has. Built parts are kept by their hashed names;
 * pages and answers come from the server first, and from what was last seen only when it does not answer.
 */
const offline: Parameters<typeof VitePWA>[0] = {
  injectRegister: null,
  manifest: false,
  filename: 'sw.js',
  workbox: {
    skipWaiting: true,
    clientsClaim: true,
    inlineWorkboxRuntime: true,
    cleanupOutdatedCaches: true,
    globPatterns: ['**/*.{js,css,woff2,svg,png}'],
    globIgnores: ['sw.js'],
    maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
    navigateFallback: null,
    runtimeCaching: [
      {
        urlPattern: ({ request }) => request.mode === 'navigate',
        handler: 'NetworkFirst',
        options: {
          cacheName: 'pages',
          // Every screen is the same page: one kept copy serves them all.
          plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve('/') }],
        },
      },
      {
        urlPattern: ({ url, sameOrigin }) =>
          sameOrigin &&
          // News of a long log is no answer to keep: the page keeps the log it makes of it.
          !url.searchParams.has('after') &&
          /^\/api\/v1\/(?:jobs|settings|sources|runs|families|photos)(?:\/|\?|$)/.test(url.pathname + url.search),
        handler: 'NetworkFirst',
        method: 'GET',
        options: {
          cacheName: 'answers',
          expiration: { maxEntries: 400 },
          cacheableResponse: { statuses: [200] },
        },
      },
    ],
  },
};

/** Names in the page every built part that it does not ask for itself, for a browser without the worker above to fetch ahead. */
const partsNamed: Plugin = {
  name: 'parts-named',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    handler: (html, { bundle }) => {
      const parts = Object.keys(bundle ?? {})
        .filter((file) => /\.(js|css)$/.test(file) && !html.includes(file))
        .map((file) => `/${file}`);
      return [
        {
          tag: 'script',
          attrs: { type: 'application/json', id: 'parts' },
          children: JSON.stringify(parts),
          injectTo: 'body',
        },
      ];
    },
  },
};

export default defineConfig({
  plugins: [react(), VitePWA(offline), partsNamed],
  // The server puts a fresh nonce in for every answer; styles made at run time carry it.
  html: { cspNonce: 'NONCE_OF_THIS_ANSWER' },
  server: { host: '127.0.0.1', proxy: { '/api': api } },
  worker: { format: 'es' },
  build: {
    outDir: 'dist',
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 800,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'react', test: /node_modules[\\/](react|react-dom|react-router|scheduler)[\\/]/ },
            { name: 'mui', test: /node_modules[\\/](@mui|@emotion)[\\/]/ },
            { name: 'echarts', test: /node_modules[\\/](echarts|zrender)[\\/]/ },
          ],
        },
      },
    },
  },
});
