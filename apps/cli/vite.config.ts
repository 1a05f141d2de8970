import { defineConfig } from 'vite';

// Few small files for Node: a command compiles no sources, and loads no more than it needs. The fonts of a report are found beside
// their package.
export default defineConfig({
  root: import.meta.dirname,
  ssr: {
    noExternal: true,
    external: ['@fontsource-variable/atkinson-hyperlegible-next', '@fontsource-variable/atkinson-hyperlegible-mono'],
  },
  build: {
    ssr: true,
    rolldownOptions: { input: { main: 'src/main.ts' }, output: { chunkFileNames: '[name]-[hash].js' } },
    outDir: 'dist',
    target: 'node20',
    emptyOutDir: true,
    minify: true,
    chunkSizeWarningLimit: 8000,
  },
});
