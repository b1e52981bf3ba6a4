import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** Colour of the page in the light theme. */
const SURFACE = '#f4f5f1';

/** Bytes of source below which what few pages use is put to its nearest neighbour: each file costs a request. */
const SMALL = 100_000;

/** Names every file of the program, for browsers that cannot keep it as a whole. */
const listFiles: Plugin = {
  name: 'list-files',
  apply: 'build',
  generateBundle(_options, bundle) {
    const files = Object.keys(bundle).filter((file) => /\.(js|css|wasm)$/.test(file));
    this.emitFile({ type: 'asset', fileName: 'files.json', source: JSON.stringify(files) });
  },
};

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    listFiles,
    VitePWA({
      // The program registers it by itself, see src/ui/pocket; a newer one waits until it is asked for.
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        id: '/',
        name: 'Coiled Strand',
        short_name: 'Coiled Strand',
        description: 'Plan, cut and tie a bracelet from the wearer’s wrist.',
        start_url: '/',
        display: 'standalone',
        background_color: SURFACE,
        theme_color: SURFACE,
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        // Everything: what is opened for the first time at a table without a network has to be there.
        globPatterns: ['**/*.{html,js,css,wasm,woff,woff2,svg,png}'],
        maximumFileSizeToCacheInBytes: 6_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api(?:\/|$)/],
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  server: { port: 5173, proxy: { '/api': 'http://127.0.0.1:4173' } },
  build: {
    outDir: 'dist',
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: {
        chunkFileNames: 'assets/[hash].js',
        // Files that share modules may ask for one another.
        strictExecutionOrder: true,
        codeSplitting: {
          // The first page is one file; what the same pages use later lies together.
          groups: [
            { name: 'first', tags: ['$initial'], priority: 1 },
            { name: 'later', entriesAware: true, entriesAwareMergeThreshold: SMALL },
          ],
        },
      },
    },
  },
});
