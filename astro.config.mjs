import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';
import { SCREENS } from './app/screens.ts';
import { worker } from './sync/build-worker.ts';

export default defineConfig({
  srcDir: './app',
  publicDir: './app/public',
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  // A page is painted whole: in one piece it takes the server half as long as in a stream (patches/: with the ids that the browser expects).
  integrations: [react({ experimentalDisableStreaming: true }), worker(SCREENS.map(({ path, opens }) => ({ path, opens })))],
  devToolbar: { enabled: false },
  // Our own guard checks where a write comes from, and says so in words (app/http/door/guard.ts).
  security: { checkOrigin: false },
  // Everything from files of our own: the Content-Security-Policy allows no inline style, and inline scripts by hash only.
  build: { inlineStylesheets: 'never' },
  experimental: {
    csp: {
      algorithm: 'SHA-256',
      directives: [
        "default-src 'self'",
        "img-src 'self' data: blob:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
      ],
    },
  },
  vite: {
    plugins: [tailwindcss()],
    build: {
      assetsInlineLimit: 0,
      // A part fetched later fetches what it wants itself: a hop more when it is first opened, a kilobyte less on every page.
      modulePreload: false,
      // A file of a few hundred bytes costs a request: a third fewer of them on every page.
      rollupOptions: { output: { experimentalMinChunkSize: 2000 } },
    },
  },
});
