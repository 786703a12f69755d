/** One press says figures in the other system on this device; the shop's own is as its page says. */
import type { Units } from '../../../core/index.ts';
import { ownKeys } from '../keys/index.ts';
import { CHANGED, ownHere, sayIn, unitsHere } from './units.ts';

const button = document.querySelector<HTMLButtonElement>('#units-button');

function show(units: Units): void {
  if (button) button.dataset.in = units;
  button?.setAttribute(
    'aria-label',
    units === 'metric' ? 'Figures in millimetres and bar: say them in inches and psi' : 'Figures in inches and psi: say them in millimetres and bar',
  );
}

function turn(): void {
  const units = unitsHere() === 'metric' ? 'inch' : 'metric';
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is not in every browser that a plumber carries
  document.cookie = `units=${units}; path=/; max-age=31536000; samesite=lax`;
  sayIn(units);
}

// A page that was kept may be of a time before the last press.
const own = ownHere();
if (own !== undefined && own !== unitsHere()) sayIn(own);
show(unitsHere());
document.addEventListener(CHANGED, () => show(unitsHere()));
button?.addEventListener('click', turn);
ownKeys([{ keys: ['u'], run: turn }]);
