import { defineConfig } from 'vite';

// One file for Node, so that starting does not read thousands. What has a native part, or finds files beside itself,
// stays outside, and so do packages that Nest looks for and does without.
export default defineConfig({
  root: import.meta.dirname,
  ssr: {
    noExternal: true,
    external: [
      'better-sqlite3',
      'swagger-ui-dist',
      '@nestjs/microservices',
      '@nestjs/websockets',
      '@nestjs/platform-fastify',
      '@fastify/static',
    ],
  },
  build: {
    ssr: 'src/main.ts',
    outDir: 'dist',
    target: 'node20',
    emptyOutDir: true,
    minify: false,
    chunkSizeWarningLimit: 8000,
  },
});
