import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  worker: { format: 'es' },
  // The server puts a new one in its place in every page that it sends.
  html: { cspNonce: '__NONCE__' },
  // What belongs to which screen is read from the list of what was built (`tools/build.ts`).
  build: {
    target: 'es2022',
    manifest: true,
    chunkSizeWarningLimit: 1000,
    rolldownOptions: {
      // What every page needs comes in one file, and what many screens do in another: fifty small ones, six at a time, took longer
      // than what is in them.
      output: {
        codeSplitting: {
          groups: [
            { name: 'start', tags: ['$initial'], priority: 2 },
            { name: 'shared', minShareCount: 4, priority: 1 },
          ],
        },
      },
    },
  },
  // For work on the interface: `npx vite apps/web` beside a running ./lantern start.
  server: { port: 4311, proxy: { '/api': 'http://127.0.0.1:4310' } },
});
