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
        // Few files, by what a page needs: on a slow line each of many small
        // ones waits its turn, and what it does not need is in its way.
        codeSplitting: {
          groups: [
            { name: 'react', test: /node_modules\/(react|react-dom|scheduler|react-router|@tanstack)\// },
            {
              name: 'controls',
              test: /node_modules\/(react-aria|react-stately|@react-|@internationalized\/(string|number|message)|styled-components|stylis|lucide|clsx)/,
              minShareCount: 2,
            },
            {
              name: 'shared',
              test: /src\/((ui|api|format|theme|dish)\/|plan\/(ahead|useSimulation|useLatest))|openapi-fetch/,
            },
            { name: 'drawing', test: /node_modules\/d3-|src\/(race|cook\/Curve|fryers\/BasketView)/, minShareCount: 2 },
            { name: 'dates', test: /@internationalized\/date|src\/supper\/time/, minShareCount: 2 },
            { name: 'pantry', test: /src\/(pantry\/|bench\/(Items|Amount|Swaps))/, minShareCount: 2 },
            { name: 'bench', test: /src\/(bench|plan)\//, minShareCount: 2 },
            { name: 'logbook', test: /src\/logbook\//, minShareCount: 2 },
          ].map((group, i) => ({ ...group, priority: 10 - i })),
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8642' } },
});
