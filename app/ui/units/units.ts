/** What figures are said in on this device: as its cookie says, else as the shop does. The page brings it, so that its first paint is right. */
import { useSyncExternalStore } from 'react';
import type { Units } from '../../../core/index.ts';

export const CHANGED = 'brass-nut-units';

const ofPage = (): Units => (document.documentElement.dataset.units === 'metric' ? 'metric' : 'inch');

/** While a page is made on the server: what the one who asks for it goes by. */
const ofRequest = (): Units => (globalThis as { unitsOfRequest?: () => Units | undefined }).unitsOfRequest?.() ?? 'inch';

function subscribe(listener: () => void): () => void {
  document.addEventListener(CHANGED, listener);
  return () => document.removeEventListener(CHANGED, listener);
}

export function useUnits(): Units {
  return useSyncExternalStore(subscribe, ofPage, typeof document === 'undefined' ? ofRequest : ofPage);
}

/** Outside of what is drawn: a press, a file that is saved. */
export const unitsHere = (): Units => (typeof document === 'undefined' ? ofRequest() : ofPage());

export function sayIn(units: Units): void {
  document.documentElement.dataset.units = units;
  document.dispatchEvent(new Event(CHANGED));
}

const OWN = /(?:^|; )units=(inch|metric)/;

/** What this device says for itself, whatever the shop does; undefined where it follows the shop. */
export const ownHere = (): Units | undefined => OWN.exec(document.cookie)?.[1] as Units | undefined;
