/**
 * The pairs of threads that are mistaken for one another so often that they are named whatever their verdict.
 * Ids of threads, in either gender order; a pair's own id is `near-<id>-<id>`, the ids sorted.
 */
const pipe = (size: string) => [`npt-${size}`, `npsm-${size}`, `g-${size}`];

const PAIRS: [string, string[]][] = [
  ['comp-1/4', ['flare-1/4']],
  ['comp-5/16', ['flare-5/16']],
  ['comp-1/8', ['flare-1/8']],
  ['comp-3/16', ['flare-3/16']],
  ['ght-3/4', ['npt-3/4', 'flare-3/4', 'g-3/4']],
  ['bc-7/8', ['flare-5/8', 'npt-1/2', 'npsm-1/2']],
  ['npsm-1/8', ['g-1/8']],
  ['npsm-1/4', ['g-1/4']],
  ['npsm-3/8', ['g-3/8']],
  ['npsm-1/2', ['g-1/2']],
  ['npsm-3/4', ['g-3/4']],
  ['g-3/4', ['npt-3/4']],
  ['comp-5/8', pipe('1/2')],
  ['flare-3/8', pipe('3/8')],
  ['comp-1/2', pipe('3/8')],
  ['m-10x1', pipe('1/8')],
  ['m-22x1', ['aer-55/64']],
  ['m-24x1', ['aer-15/16']],
];

/** The rule id that names two threads as near misses of each other: 'near-comp-1/4-flare-1/4'. */
export function nearId(a: string, b: string): string {
  return a < b ? `near-${a}-${b}` : `near-${b}-${a}`;
}

const CLASSIC = new Set(PAIRS.flatMap(([a, others]) => others.map((b) => nearId(a, b))));

/** Is this pair of thread ids one that the trade mixes up? */
export function classicNearMiss(a: string, b: string): boolean {
  return CLASSIC.has(nearId(a, b));
}

/** A tube offered to a fitting named by the tube's nominal size. */
export const NEAR_NOMINAL = 'near-nominal-od';
