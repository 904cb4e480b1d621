import { defineConfig } from 'vite';

/** The server as one file per entry; workspace packages are bundled in, the rest stays in node_modules. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist',
    target: 'node20',
    minify: false,
    sourcemap: true,
    rolldownOptions: {
      // What serves stands apart from what starts it: tests hold several servers in one process.
      input: {
        main: 'src/main.ts',
        serve: 'src/serve.ts',
        data: 'src/data.ts',
        printed: 'src/features/sheet/printed.ts',
      },
      output: { format: 'es', entryFileNames: '[name].mjs', chunkFileNames: '[name]-[hash].mjs' },
    },
  },
  ssr: { noExternal: [/^@amber-gauge\//] },
});
