/** Keys that work on every sheet. */
import { SCREENS } from '../screens.ts';
import { lettersWork, ownDoor, ownKeys, switchLetters } from './keyboard.ts';

const sheet = document.querySelector<HTMLDialogElement>('#keys');
document.querySelector('#keys-button')?.addEventListener('click', () => sheet?.showModal());

/** The dark sheet is remembered in a cookie, so that the server draws the next page dark from the start. */
function turnSheet(): void {
  const dark = document.documentElement.dataset.sheet !== 'dark';
  if (dark) document.documentElement.dataset.sheet = 'dark';
  else delete document.documentElement.dataset.sheet;
  document.querySelector('#dark-button')?.setAttribute('aria-pressed', String(dark));
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is not in every browser that a plumber carries
  document.cookie = `sheet=${dark ? 'dark' : 'light'}; path=/; max-age=31536000; samesite=strict`;
}
document.querySelector('#dark-button')?.addEventListener('click', turnSheet);

const letters = document.querySelector<HTMLInputElement>('#letters');
if (letters) {
  letters.checked = lettersWork();
  letters.addEventListener('change', () => switchLetters(letters.checked));
}

ownKeys([
  { keys: ['/'], run: () => document.querySelector<HTMLInputElement>('#quick')?.focus() },
  { keys: ['?'], run: () => sheet?.showModal() },
  { keys: ['n'], run: turnSheet },
]);
for (const screen of SCREENS) if (screen.key) ownDoor(screen.key, () => location.assign(screen.path));
