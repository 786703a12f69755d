/** What a chain has so far, as bits, and how a piece changes it. */
export const HAS = { line: 1, stop: 2, arrestor: 4, check: 8, rejoined: 16, outlet: 32 } as const;
export const HAS_STATES = 64;

/** What one piece brings, as bits; `long`: more line than may follow an arrestor; `outlet`: a valved one left free. */
export const BRINGS = { line: 1, stop: 2, arrestor: 4, check: 8, long: 16, rejoined: 32, outlet: 64 } as const;
const BRINGS_STATES = 128;

/** By what a piece brings x 64 + what the chain has: what it has then, or -1 when the piece may not follow. */
export const AFTER: Int8Array = Int8Array.from({ length: BRINGS_STATES * HAS_STATES }, (_, i) => after(i % HAS_STATES, Math.floor(i / HAS_STATES)));

/** At most one line and one rejoining a chain; a stop counts only before the line; a long line puts an arrestor before it out of reach. */
function after(has: number, brings: number): number {
  if (brings & BRINGS.line && has & HAS.line) return -1;
  if (brings & BRINGS.rejoined && has & HAS.rejoined) return -1;
  let next = has;
  if (brings & BRINGS.stop && !(has & HAS.line)) next |= HAS.stop;
  if (brings & BRINGS.line) next |= HAS.line;
  if (brings & BRINGS.long) next &= ~HAS.arrestor;
  if (brings & BRINGS.arrestor) next |= HAS.arrestor;
  if (brings & BRINGS.check) next |= HAS.check;
  if (brings & BRINGS.rejoined) next |= HAS.rejoined;
  if (brings & BRINGS.outlet) next |= HAS.outlet;
  return next;
}
