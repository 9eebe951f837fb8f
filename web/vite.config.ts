import optimizeLocales from '@react-aria/optimize-locales-plugin';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { cutFonts } from './fonts.ts';
import { shrink } from './shrink.ts';

export default defineConfig({
  plugins: [
    cutFonts(),
    react(),
    { ...optimizeLocales.vite({ locales: ['en-US', 'en-GB'] }), enforce: 'pre' },
    shrink(),
  ],
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
    emptyOutDir: true,
    // The server reads which scripts a page will want, and names them in it.
    manifest: 'manifest.json',
    rolldownOptions: {
      output: {
        // Few files: on a slow line each of many small ones waits its turn.
        codeSplitting: {
          groups: [
            { name: 'react', test: /node_modules\/(react|react-dom|scheduler)\// },
            { name: 'shared', minShareCount: 2 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8642' } },
});
