import optimizeLocales from '@react-aria/optimize-locales-plugin';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), { ...optimizeLocales.vite({ locales: ['en-US', 'en-GB'] }), enforce: 'pre' }],
  html: { cspNonce: '__CSP_NONCE__' },
  build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0, chunkSizeWarningLimit: 700, emptyOutDir: true },
  server: { proxy: { '/api': 'http://127.0.0.1:8642' } },
});
