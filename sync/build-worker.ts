/** Builds the worker after the pages, with the list of the files it keeps. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { AstroIntegration } from 'astro';
import { build } from 'vite';

/** Fonts in the older of the two formats are not kept: every browser with a worker reads the newer. */
const NOT_KEPT = /\.woff$|(^|\/)sw\.js$/;

/** @param pages the page of every screen, and which of them opens any address that begins so */
export function worker(pages: { path: string; opens?: string }[]): AstroIntegration {
  return {
    name: 'worker',
    hooks: {
      'astro:build:done': async ({ dir }) => {
        const folder = fileURLToPath(dir);
        const files = filesOf(folder);
        const version = createHash('sha256').update(JSON.stringify(files)).digest('hex').slice(0, 12);
        await build({
          configFile: false,
          logLevel: 'error',
          publicDir: false,
          define: {
            __FILES__: JSON.stringify(files),
            __VERSION__: JSON.stringify(version),
            __PAGES__: JSON.stringify(pages),
            'process.env.NODE_ENV': '"production"',
          },
          build: {
            outDir: folder,
            emptyOutDir: false,
            copyPublicDir: false,
            lib: { entry: fileURLToPath(new URL('./worker.ts', import.meta.url)), formats: ['iife'], name: 'worker', fileName: () => 'sw.js' },
          },
        });
      },
    },
  };
}

/** A name with a hash in it tells its version by itself. */
function filesOf(folder: string): { url: string; revision: string | null }[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile())
    .map((f) => join(f.parentPath, f.name))
    .map((path) => ({ path, url: `/${path.slice(folder.length).replace(/^\//, '')}` }))
    .filter(({ url }) => !NOT_KEPT.test(url))
    .sort((a, b) => (a.url < b.url ? -1 : 1))
    .map(({ path, url }) => ({
      url,
      revision: url.startsWith('/_astro/') ? null : createHash('sha256').update(readFileSync(path)).digest('hex').slice(0, 12),
    }));
}
