import type { Surge } from '../../../core/index.ts';

/** More points than a screen has columns show nothing more. */
const MOST_POINTS = 1600;

/** Time in ms and pressure; of many readings the highest and lowest of each column, so that no peak is lost. */
export function points({ t, psi }: Pick<Surge, 't' | 'psi'>): { x: number; y: number }[] {
  if (t.length <= MOST_POINTS) return t.map((s, i) => ({ x: s * 1000, y: psi[i]! }));
  const each = Math.ceil((2 * t.length) / MOST_POINTS);
  const out: { x: number; y: number }[] = [];
  for (let from = 0; from < t.length; from += each) {
    let [low, high] = [from, from];
    for (let i = from; i < Math.min(t.length, from + each); i++) {
      if (psi[i]! < psi[low]!) low = i;
      if (psi[i]! > psi[high]!) high = i;
    }
    for (const i of [...new Set([Math.min(low, high), Math.max(low, high)])]) out.push({ x: t[i]! * 1000, y: psi[i]! });
  }
  return out;
}
