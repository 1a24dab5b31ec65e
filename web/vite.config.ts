import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  server: {
    proxy: { '/api': 'http://localhost:8080', '/live': { target: 'ws://localhost:8080', ws: true } },
  },
  // The files share workers: each of them is a hundred tests of pure functions and would start one for itself.
  test: { include: ['src/**/*.test.ts'], pool: 'threads', isolate: false },
  build: { chunkSizeWarningLimit: 900 },
});
