import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const api = `http://127.0.0.1:${process.env.API_PORT ?? '4780'}`;

export default defineConfig({
  plugins: [react()],
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
