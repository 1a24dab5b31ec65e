import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  server: {
    proxy: { '/api': 'http://localhost:8080', '/live': { target: 'ws://localhost:8080', ws: true } },
  },
  test: { include: ['src/**/*.test.ts'] },
  build: { chunkSizeWarningLimit: 900 },
});
