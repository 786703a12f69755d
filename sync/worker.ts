/// <reference lib="webworker" />
/**
 * Opens every screen without a connection: files of the program from what was kept when it was installed, pages from the server while it
 * answers, and the kept page of the screen when it does not. What was entered lives in the device's store, which no worker touches.
 */
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope;
/** Files of the program with what tells one version from the next; put in when it is built. */
declare const __FILES__: { url: string; revision: string | null }[];
/** Of this build. */
declare const __VERSION__: string;
/** The page of every screen by its path, and which of them opens any address that begins so. */
declare const __PAGES__: { path: string; opens?: string }[];

const PAGES = `pages ${__VERSION__}`;
/** Which shop the browser was in when it last had a page from the server. */
const SHOP = 'shop';
const SHOP_AT = '/shop-of-pages';
const PICTURES = 'pictures';
/** As many as some months of visits have, at some 30 kB each. */
const MOST_PICTURES = 500;
/** A server that says nothing for so long is taken for one that is away, ms. */
const PATIENCE_MS = 2500;

precacheAndRoute(__FILES__);
cleanupOutdatedCaches();
clientsClaim();

self.addEventListener('install', (event) => {
  // A new version takes over at once: what is unsent is not in the page but in the device's store.
  self.skipWaiting();
  event.waitUntil(keepPages());
});

self.addEventListener('activate', (event) => {
  const old = async () => {
    const names = await caches.keys();
    await Promise.all(names.filter((name) => name.startsWith('pages ') && !name.startsWith(PAGES)).map((name) => caches.delete(name)));
  };
  event.waitUntil(old());
});

/** The page of every screen, so that each opens though it was never visited. One that fails now is kept when it is next opened. */
async function keepPages(): Promise<void> {
  await Promise.allSettled(__PAGES__.map(({ path }) => keepPage(path)));
}

async function keepPage(path: string): Promise<void> {
  const response = await fetch(path, { headers: { accept: 'text/html' } });
  if (!response.ok) return;
  await hasMoved(response);
  await (await pagesOf(shopOf(response))).put(path, response);
}

/** Pages are kept for their shop: one that is left is as it was when one comes back to it. */
const pagesOf = (shop: string): Promise<Cache> => caches.open(`${PAGES} ${shop}`);
const shopOf = (response: Response): string => response.headers.get('brass-nut-shop') ?? '';

/** The shop of the browser's last page; '' before there was one. */
async function shopNow(): Promise<string> {
  return (await caches.match(SHOP_AT, { cacheName: SHOP }))?.text() ?? '';
}

/** Whether the browser has come to another shop with this page. */
async function hasMoved(page: Response): Promise<boolean> {
  const shop = shopOf(page);
  if (shop === '' || shop === (await shopNow())) return false;
  await (await caches.open(SHOP)).put(SHOP_AT, new Response(shop));
  return true;
}

registerRoute(
  new NavigationRoute(
    async ({ request, url, event }) => {
      const fresh = await answer(request);
      if (fresh && fresh.status < 500) {
        const page = __PAGES__.find((p) => p.path === url.pathname);
        if (await hasMoved(fresh)) (event as FetchEvent).waitUntil(keepPages());
        else if (page && fresh.ok && url.search === '') await (await pagesOf(shopOf(fresh))).put(page.path, fresh.clone());
        return fresh;
      }
      return (await kept(url)) ?? fresh ?? away();
    },
    { denylist: [/^\/api\//] },
  ),
);

/** A small picture never becomes another: once seen, it is seen without a connection too. */
registerRoute(
  ({ url }) => /^\/api\/v1\/pictures\/[0-9a-f]{64}\/small$/.test(url.pathname),
  new CacheFirst({ cacheName: PICTURES, plugins: [{ cacheDidUpdate: forgetOldest }] }),
);

async function forgetOldest(): Promise<void> {
  const cache = await caches.open(PICTURES);
  const all = await cache.keys();
  await Promise.all(all.slice(0, Math.max(0, all.length - MOST_PICTURES)).map((request) => cache.delete(request)));
}

/** The server's answer; null when it does not come in time. */
async function answer(request: Request): Promise<Response | null> {
  const patience = new AbortController();
  const timer = setTimeout(() => patience.abort(), PATIENCE_MS);
  try {
    return await fetch(request, { signal: patience.signal });
  } catch {
    return null;
  } finally {
    clearTimeout(timer);
  }
}

/** The kept page of the screen at an address. */
async function kept(url: URL): Promise<Response | undefined> {
  const path = __PAGES__.find((p) => p.opens !== undefined && url.pathname.startsWith(p.opens))?.path ?? url.pathname;
  return caches.match(path, { cacheName: `${PAGES} ${await shopNow()}` });
}

const away = (): Response =>
  new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>No connection</title><meta name="viewport" content="width=device-width">
<h1>This wants the connection</h1><p>It is not kept on this device: the ledger of past years and what was never carried along are with the server. What you entered is kept here and is sent when it is back.</p>
<p><a href="">Try again</a> or go <a href="/">to the day sheet</a>.</p></html>`,
    { status: 503, headers: { 'content-type': 'text/html; charset=utf-8', 'content-security-policy': "default-src 'none'" } },
  );
