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
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1100,
    rollupOptions: {
      input: {
        page: fileURLToPath(new URL('index.html', import.meta.url)),
        'service-worker': fileURLToPath(new URL('src/outdoors/service-worker.ts', import.meta.url)),
      },
      output: {
        // A service worker rules over what lies below it, so that it stands at the top under a name of its own.
        entryFileNames: ({ name }) =>
          name === 'service-worker' ? '[name].js' : 'assets/[name]-[hash].js',
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
