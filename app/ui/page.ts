/** What every page does beside its screen: its keys, keeping and sending, and the worker that opens it without a connection. */
import { sync } from '../../sync/run.ts';
import { keepCatalogue, keepLastTimes, keepStock } from './held/index.ts';
import './find.ts';
import './voice.ts';
import './keys/keys.ts';
import './held/shops.ts';
import './units/units-key.ts';

sync.begin();
// For use without a connection, whatever screen was opened first.
setTimeout(() => Promise.all([keepCatalogue(), keepStock()]), 1500);
// The next two days, when all that is shown is there.
setTimeout(() => keepLastTimes().catch(() => {}), 5000);

if ('serviceWorker' in navigator && import.meta.env.PROD) {
  navigator.serviceWorker.register('/sw.js').catch(() => {
    // Without it the page works as long as there is a connection.
  });
}

// On a narrow screen the menu is longer than its row: the one that is open is seen.
const open = document.querySelector('nav[aria-label="Main"] [aria-current]');
if (open?.parentElement) open.parentElement.scrollLeft = (open as HTMLElement).offsetLeft - open.parentElement.clientWidth / 2;
