/** Keys that work on every sheet. */
import { SCREENS } from '../../screens.ts';
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

/** In a visit on a phone the bar is folded away until it is asked for. */
const bar = document.querySelector<HTMLInputElement>('#quick');
const askButton = document.querySelector('#ask-button');
function showBar(isShown: boolean): void {
  bar?.form?.classList.toggle('max-md:hidden', !isShown);
  askButton?.setAttribute('aria-expanded', String(isShown));
  if (isShown) bar?.focus();
}
askButton?.addEventListener('click', () => showBar(askButton.getAttribute('aria-expanded') !== 'true'));

const letters = document.querySelector<HTMLInputElement>('#letters');
if (letters) {
  letters.checked = lettersWork();
  letters.addEventListener('change', () => switchLetters(letters.checked));
}

ownKeys([
  { keys: ['/'], run: () => showBar(true) },
  { keys: ['?'], run: () => sheet?.showModal() },
  { keys: ['n'], run: turnSheet },
  { keys: ['c'], run: () => location.assign('/call') },
]);
for (const screen of SCREENS) if (screen.key) ownDoor(screen.key, () => location.assign(screen.path));
