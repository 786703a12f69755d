/** Keys that work on every sheet. */
import { SCREENS } from '../screens.ts';

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

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

let wentToAt = 0;
const DOORS = new Map(SCREENS.flatMap((s) => (s.key ? [[s.key, s.path] as const] : [])));

document.addEventListener('keydown', (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
  if (event.key === '/') {
    event.preventDefault();
    document.querySelector<HTMLInputElement>('#quick')?.focus();
  } else if (event.key === '?') {
    sheet?.showModal();
  } else if (event.key === 'n') {
    turnSheet();
  } else if (event.key === 'g') {
    wentToAt = event.timeStamp;
  } else if (event.timeStamp - wentToAt < 1500 && DOORS.has(event.key)) {
    wentToAt = 0;
    location.assign(DOORS.get(event.key) as string);
  }
});
