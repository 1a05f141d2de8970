import { defineConfig } from 'vite';

// Built first: run from its sources, every closure would be wrapped to keep its name, which slows the small ones threefold.
export default defineConfig({
  root: import.meta.dirname,
  logLevel: 'error',
  ssr: { noExternal: [/^@usual-drag\//] },
  build: { ssr: 'main.ts', outDir: 'dist', target: 'node20', emptyOutDir: true, minify: false },
});
