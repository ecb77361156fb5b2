import { createHash } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** Writes down every file of a build, so that the pages can lay all of them by for where the server cannot be reached. */
const namesItsFiles = (): Plugin => ({
  name: 'names-its-files',
  enforce: 'post',
  generateBundle(_options, bundle) {
    const files = Object.keys(bundle)
      .filter((file) => file.startsWith('assets/'))
      .map((file) => `/${file}`)
      .sort();
    const build = createHash('sha256').update(files.join()).digest('hex').slice(0, 12);
    this.emitFile({
      type: 'asset',
      fileName: 'files.json',
      source: JSON.stringify({ build, files }),
    });
  },
});

export default defineConfig({
  plugins: [react(), tailwindcss(), namesItsFiles()],
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
