/** Goes from one shop of this database to another, and begins one. Which shop a browser is in stands in a cookie, so that the server's next page is of it. */
import { v7 as uuidv7 } from 'uuid';
import { sync } from '../../../sync/run.ts';
import { shopHere } from '../../../sync/shop-here.ts';

const SAID = document.querySelector<HTMLElement>('#shop-said');
const leaving = document.querySelector<HTMLDialogElement>('#leave-shop');
/** Tells the browser's other tabs that it is in another shop now. */
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('brass-nut-shop');
const TIMEOUT_MS = 15_000;

function enter(shopId: string): void {
  // Lax: who comes by a link from a calendar is in the shop that was left, not in the first.
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is not in every browser that a plumber carries
  document.cookie = `shop=${shopId}; path=/; max-age=31536000; samesite=lax`;
  channel?.postMessage(shopId);
  location.assign('/');
}

/** One more try with the same id begins nothing twice. */
const ownId = uuidv7();

async function begin(): Promise<void> {
  try {
    const response = await fetch('/api/v1/shops', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: ownId }),
      signal: AbortSignal.timeout(TIMEOUT_MS),
    });
    const { detail } = (await response.json()) as { detail?: string };
    if (response.ok) enter(ownId);
    else say(detail ?? 'The server does not answer rightly. Try again in a moment.');
  } catch {
    say('A shop is begun with the server: it does not answer. Try again when the connection is back.');
  }
}

function say(words: string): void {
  if (SAID) SAID.textContent = words;
}

/** Goes at once where all is sent; else says first what stays behind. */
async function leave(go: () => void): Promise<void> {
  const waiting = await unsent();
  if (waiting === 0 || !leaving) return go();
  const count = leaving.querySelector('[data-count]');
  if (count) count.textContent = waiting === 1 ? 'One entry or picture' : `${waiting} entries and pictures`;
  leaving.returnValue = '';
  leaving.addEventListener('close', () => leaving.returnValue === 'go' && go(), { once: true });
  leaving.showModal();
}

async function unsent(): Promise<number> {
  try {
    const store = await sync.device();
    return (await store.counts()).waiting + (await store.pictures.waiting());
  } catch {
    return 0;
  }
}

// Keys of the strip come and go.
document.addEventListener('click', ({ target }) => {
  const button = (target as Element | null)?.closest<HTMLElement>('[data-enter-shop]');
  if (button) leave(() => enter(button.dataset.enterShop!));
});
for (const button of document.querySelectorAll('[data-begin-shop]')) button.addEventListener('click', () => leave(begin));

// A page that was left open in another shop goes along: what it shows is no more what the browser is in.
channel?.addEventListener('message', ({ data }) => data !== shopHere && location.replace('/'));
window.addEventListener('pageshow', ({ persisted }) => {
  const own = /(?:^|; )shop=([^;]+)/.exec(document.cookie)?.[1];
  if (persisted && own !== undefined && own !== shopHere) location.replace('/');
});
