import { finite, InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { diameter, length, said } from '../units/index.ts';

/** What goes through a hole: a round body by its diameter, a nut by its flats. */
export type Passes = { name: string } & ({ acrossIn: number } | { flatsIn: number });

export type Through = 'cabinet' | 'floor' | 'wall';

/** A bit or saw that is on the van. */
export interface HoleSize {
  diameterIn: number;
  tool: string;
}

export interface Hole {
  /** Least round that lets all through, and the tool's next size. */
  leastIn: number;
  diameterIn: number;
  tool: string;
  probeIn: number;
  because: Reason[];
}

/** Room beside what goes through, so that it is not scraped; typical. */
const CLEARANCE_IN = 0.125;
const PROBE_IN = 0.1875;

const acrossOf = (p: Passes): number =>
  'acrossIn' in p
    ? finite(`${p.name}, across`, p.acrossIn, { above: 0, atMost: 12 })
    : (2 / Math.sqrt(3)) * finite(`${p.name}, flats`, p.flatsIn, { above: 0, atMost: 12 });

/**
 * Diameter of the smallest circle around circles that lie side by side.
 *
 * One or two: their sum. Three that touch each other: Soddy's outer circle, or the two widest in a row where the third lies in the gap. More: the
 * widest three stand for it, and each further one is laid beside: never too small.
 */
export function around(acrossIn: readonly number[]): number {
  const [a = 0, b = 0, c = 0, ...rest] = [...acrossIn].sort((x, y) => y - x);
  if (b === 0) return a;
  if (c === 0) return a + b;
  const [k1, k2, k3] = [2 / a, 2 / b, 2 / c];
  // Largest that lies in the gap beside two in a row.
  const inGap = k1 + k2 - 2 / (a + b);
  const three = k3 >= inGap ? a + b : 2 / (2 * Math.sqrt(k1 * k2 + k2 * k3 + k3 * k1) - k1 - k2 - k3);
  return three + rest.reduce((sum, d) => sum + d, 0);
}

/**
 * The hole for what goes through it together: the least round, the next tool, and the probe that goes first.
 *
 * @throws InputError  where nothing goes through, or no tool is wide enough
 * @source             trade practice: a small probe hole before a full one
 */
export function holeFor(passes: readonly Passes[], sizes: readonly HoleSize[], clearanceIn = CLEARANCE_IN): Hole {
  if (passes.length === 0) throw new InputError('passes', '', 'Name what goes through.');
  const leastIn = around(passes.map(acrossOf)) + finite('clearanceIn', clearanceIn, { atLeast: 0, atMost: 2 });
  const tool = [...sizes].sort((a, b) => a.diameterIn - b.diameterIn).find((s) => s.diameterIn >= leastIn - 1e-9);
  if (!tool)
    throw new InputError('hole', `${leastIn.toFixed(2)} in`, 'No bit or saw is that wide: two holes, or one thing after the other with its nut off.');
  const names = passes.map((p) => p.name).join(' and ');
  const words = said`${names} want ${diameter(leastIn, 2)} with ${length(clearanceIn)} to spare: ${tool.tool}, ${length(tool.diameterIn)}. A probe of ${length(PROBE_IN)} goes first.`;
  return { leastIn, ...tool, probeIn: PROBE_IN, because: [reason('hole', words, { figures: { leastIn, diameterIn: tool.diameterIn } })] };
}

export interface HolePlace {
  through: Through;
  /** Along the wall or cabinet from a corner that is told, inches. */
  atIn: number;
  /** Where a probe met something: a joist, a stud, a cable, a duct. */
  metAtIn?: number;
  /** From one joist or stud to the next; 16 unless given. */
  bayIn?: number;
}

/**
 * Where the hole goes when the probe met something: to the middle of the next bay, on the side it lies nearer to.
 *
 * @returns  place and what the line grows by, inches
 */
export function afterProbe(h: HolePlace): { atIn: number; addedIn: number; because: Reason[] } {
  const { atIn, metAtIn, bayIn = 16 } = h;
  finite('atIn', atIn, { atLeast: -600, atMost: 600 });
  finite('bayIn', bayIn, { above: 0, atMost: 48 });
  if (metAtIn === undefined) return { atIn, addedIn: 0, because: [] };
  finite('metAtIn', metAtIn, { atLeast: -600, atMost: 600 });
  const moved = metAtIn + (atIn < metAtIn ? -bayIn / 2 : bayIn / 2);
  const addedIn = Math.abs(moved - atIn);
  const words = said`The probe met something at ${length(metAtIn)}: the hole moves to the middle of the bay, ${length(moved)}, and the line grows by ${length(addedIn)}. Write the offset down.`;
  return { atIn: moved, addedIn, because: [reason('next-bay', words, { figures: { metAtIn, movedToIn: moved } })] };
}
