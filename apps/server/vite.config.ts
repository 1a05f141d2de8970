import { defineConfig } from 'vite';

// One file for Node; packages from node_modules stay outside it.
export default defineConfig({
  root: import.meta.dirname,
  build: { ssr: 'src/main.ts', outDir: 'dist', target: 'node20', emptyOutDir: true },
});
