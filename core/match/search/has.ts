import type { Setting } from './setting.ts';

/** What a chain has so far, as bits, and how a piece changes it. */
export const HAS = { line: 1, stop: 2, arrestor: 4, check: 8, stopLeak: 16, rejoined: 32, outlet: 64 } as const;
export const HAS_STATES = 128;

/** What one piece brings, as bits; `long`: more line than may follow an arrestor; `outlet`: a valved one left free. */
export const BRINGS = { line: 1, stop: 2, arrestor: 4, check: 8, stopLeak: 16, long: 32, rejoined: 64, outlet: 128 } as const;
const BRINGS_STATES = 256;

/** What is asked for besides, as far as it decides what counts. */
interface Asked {
  rejoin: boolean;
  stop: boolean;
  /** The old line is joined again before any line. */
  rejoinFirst: boolean;
}

const tableOf = (asked: Asked): Int8Array =>
  Int8Array.from({ length: BRINGS_STATES * HAS_STATES }, (_, i) => after(i % HAS_STATES, Math.floor(i / HAS_STATES), asked));

const TABLES = [false, true].map((rejoin) => [false, true].map((stop) => [false, true].map((rejoinFirst) => tableOf({ rejoin, stop, rejoinFirst }))));

/** By what a piece brings x 128 + what the chain has: what it has then, or -1 when the piece may not follow. */
export const afterTable = (asked: Asked): Int8Array => TABLES[Number(asked.rejoin)]![Number(asked.stop)]![Number(asked.rejoinFirst)]!;

/** What decides what counts, of a query. */
export const askedOf = (s: Pick<Setting, 'rejoin' | 'need'>): Asked => ({
  rejoin: s.rejoin !== null,
  stop: s.need.stop,
  rejoinFirst: s.need.rejoinFirst,
});

/**
 * At most one line and one rejoining a chain; a long line puts an arrestor before it out of reach. A stop counts only before the line, and where an
 * old line is joined again not before that: it would shut both. A check stands after the rejoining and after the stop, or it would protect neither; so
 * does a stop-leak device, and before the line, whose leak it stops too.
 */
function after(has: number, brings: number, asked: Asked): number {
  if (brings & BRINGS.line && has & HAS.line) return -1;
  if (brings & BRINGS.rejoined && (has & HAS.rejoined || (asked.rejoinFirst && has & HAS.line))) return -1;
  let next = has;
  const isOwn = !asked.rejoin || (has & HAS.rejoined) !== 0 || (brings & BRINGS.rejoined) !== 0;
  if (brings & BRINGS.stop && !(has & HAS.line) && isOwn) next |= HAS.stop;
  if (brings & BRINGS.line) next |= HAS.line;
  if (brings & BRINGS.long) next &= ~HAS.arrestor;
  if (brings & BRINGS.arrestor) next |= HAS.arrestor;
  const isBehind = (!asked.rejoin || has & HAS.rejoined) && (!asked.stop || has & HAS.stop);
  if (brings & BRINGS.check && isBehind) next |= HAS.check;
  if (brings & BRINGS.stopLeak && isBehind && !(has & HAS.line)) next |= HAS.stopLeak;
  if (brings & BRINGS.rejoined) next |= HAS.rejoined;
  if (brings & BRINGS.outlet) next |= HAS.outlet;
  return next;
}
