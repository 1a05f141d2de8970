import { join } from 'node:path';
import { defineConfig } from 'vite';
import { bundledPackages } from '../../scripts/release/bundled-packages.ts';

// Few files for Node, so that starting does not read thousands. What has a native part, or finds files beside itself,
// stays outside, and so do packages that Nest looks for and does without.
export default defineConfig({
  root: import.meta.dirname,
  plugins: [bundledPackages(join(import.meta.dirname, 'dist')).write],
  ssr: {
    noExternal: true,
    external: [
      '@libsql/client',
      'libsql',
      'swagger-ui-dist',
      '@nestjs/microservices',
      '@nestjs/websockets',
      '@nestjs/platform-fastify',
      '@fastify/static',
    ],
  },
  build: {
    ssr: true,
    // All beside each other: what they read (migrations, the page) is found from where they lie.
    rolldownOptions: {
      input: {
        main: 'src/main.ts',
        launch: 'src/launch/main.ts',
        instrument: 'src/stand-in/main.ts',
        worker: 'src/work/worker.ts',
      },
      // Class names remain: Nest and its logs use them.
      output: { chunkFileNames: '[name].js', keepNames: true },
    },
    outDir: 'dist',
    target: 'node20',
    emptyOutDir: true,
    // Half the text to parse at a start.
    minify: true,
    chunkSizeWarningLimit: 8000,
  },
});
