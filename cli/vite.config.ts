import { defineConfig } from 'vite';

/** The command line as plain modules for Node, one piece a command, so that each loads no more than it needs. */
export default defineConfig({
  build: {
    ssr: 'src/main.ts',
    outDir: 'dist',
    target: 'node20',
    sourcemap: false,
    minify: false,
    rolldownOptions: { output: { entryFileNames: '[name].mjs', chunkFileNames: '[name]-[hash].mjs' } },
  },
  // What reads its own files from disk stays where it is.
  ssr: { noExternal: true, external: ['pdfkit'] },
});
