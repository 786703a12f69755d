/** In which order rows of a file stand, kept by a figure each, so that few of them change when a row is put in or taken out. */

/** Between two neighbours, before there is no room: then all are numbered anew. */
const LEAST_GAP = 1e-6;

/**
 * @param kept figures that rows have already, in the order of the file; null for a new row
 * @returns figures that rise along the file, as many of the kept ones among them as can stay
 */
export function placesFor(kept: readonly (number | null)[]): number[] {
  const stays = longestRise(kept);
  const places = kept.map((place, i) => (stays.has(i) ? place : null));
  const ends = nextKept(places);
  const out: number[] = [];
  for (let i = 0; i < places.length; i++) {
    const own = places[i];
    if (own != null) {
      out.push(own);
      continue;
    }
    const before = out[i - 1];
    const end = ends[i]!;
    const after = places[end] ?? null;
    const room = end - i + 1;
    if (before === undefined && after === null) out.push(1);
    else if (before === undefined) out.push(after! - room + 1);
    else if (after === null) out.push(before + 1);
    else out.push(before + (after - before) / room);
    if (before !== undefined && out[i]! - before < LEAST_GAP) return kept.map((_, at) => at + 1);
  }
  return out;
}

/** Of each row the next that keeps its figure; the end of the file where none does. */
function nextKept(places: readonly (number | null)[]): number[] {
  const ends: number[] = [];
  for (let i = places.length - 1, next = places.length; i >= 0; i--) {
    ends[i] = next;
    if (places[i] !== null) next = i;
  }
  return ends;
}

/** Places of the longest run of figures that rise, not necessarily beside each other. */
function longestRise(values: readonly (number | null)[]): Set<number> {
  const tails: number[] = [];
  const before = new Map<number, number>();
  for (const [i, value] of values.entries()) {
    if (value === null) continue;
    let [low, high] = [0, tails.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (values[tails[middle]!]! < value) low = middle + 1;
      else high = middle;
    }
    if (low > 0) before.set(i, tails[low - 1]!);
    tails[low] = i;
  }
  const out = new Set<number>();
  for (let at = tails.at(-1); at !== undefined; at = before.get(at)) out.add(at);
  return out;
}
