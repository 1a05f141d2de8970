import { defineConfig } from 'vite';

// One file for Node, so that a command does not compile its sources. The fonts of a report are found beside their package.
export default defineConfig({
  root: import.meta.dirname,
  ssr: {
    noExternal: true,
    external: ['@fontsource-variable/atkinson-hyperlegible-next', '@fontsource-variable/atkinson-hyperlegible-mono'],
  },
  build: {
    ssr: true,
    rolldownOptions: { input: { main: 'src/main.ts' } },
    outDir: 'dist',
    target: 'node20',
    emptyOutDir: true,
    minify: false,
    chunkSizeWarningLimit: 8000,
  },
});
