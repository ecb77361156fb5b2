import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: {
    alias: [
      {
        find: /^@spare-knot\/core\/(.*)$/,
        replacement: `${fileURLToPath(new URL('../../packages/core/src/', import.meta.url))}$1/index.ts`,
      },
    ],
  },
  worker: { format: 'es' },
  build: { target: 'es2022', assetsInlineLimit: 0, chunkSizeWarningLimit: 1100 },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
