import { defaultRules } from '../../house/index.ts';
import { isLine, type Part } from '../part.ts';
import { codeNumber } from './pair-table.ts';

/** What parts are, as bits. */
export const IS = {
  cold: 1,
  hot: 2,
  potable: 4,
  saddle: 8,
  flexible: 16,
  cut: 32,
  line: 64,
  stop: 128,
  arrestor: 256,
  check: 512,
  stopLeak: 1024,
  union: 2048,
  listedHidden: 4096,
  needsAccess: 8192,
  concealable: 16384,
} as const;

/** Tags of lines that a house rule may prefer, as bits; any other is never preferred. */
export const LINE_TAGS = ['riser', 'flexible', 'braided', 'copper', 'pe', 'pex'] as const;
const OTHER_LINE = 1 << LINE_TAGS.length;

/** A stop that turns the line up from a wall, and one that goes on straight up from a floor: bits beside those of lines. */
export const TURN_BITS = { angle: OTHER_LINE << 1, straight: OTHER_LINE << 2 } as const;

/** Where a part's figures stand in its row: eight numbers, so that one part is one fetch from memory. Lengths in inches, NaN where none. */
export const FIGURE = { is: 0, lines: 1, priceCents: 2, minutes: 3, maxPsi: 4, maxF: 5, lengthIn: 6, maxLengthIn: 7 } as const;
export const STRIDE = 8;

/** The parts' figures as numbers: what a search reads again and again. */
export interface Figures {
  /** By part x STRIDE + FIGURE. */
  row: Float64Array;
  centsPerFt: Float64Array;
  /** Ends of part i: `startEnd[i] .. startEnd[i + 1]` in the columns below. */
  startEnd: Int32Array;
  /** Its place among all codes; -1 for what is no code. */
  endCode: Int16Array;
  /** Water may enter here. */
  endEnters: Uint8Array;
  /** Water only enters here. */
  endIn: Uint8Array;
  /** It has a valve of its own and may stay free. */
  endValved: Uint8Array;
  /** Left by this end, the part is no stop of the run: its valve is on another. */
  endUnvalved: Uint8Array;
}

/** Minutes are weighed so when parts are put in order; other weights are told by `baseShare`. */
const BASE_MINUTE_DOLLARS = defaultRules.weights.minuteDollars;

/** Price and time of a part in dollars, by the default weights: the order in which a search goes through parts. */
export function baseDollars(row: Float64Array, at: number): number {
  return row[at + FIGURE.priceCents]! / 100 + row[at + FIGURE.minutes]! * BASE_MINUTE_DOLLARS;
}

/** The share of a part's base dollars that it costs at least under other weights. */
export function baseShare(minuteDollars: number): number {
  return Math.min(1, minuteDollars / BASE_MINUTE_DOLLARS);
}

export function figuresOf(parts: Part[]): Figures {
  const row = new Float64Array(parts.length * STRIDE);
  const startEnd = new Int32Array(parts.length + 1);
  for (let i = 0; i < parts.length; i++) {
    const part = parts[i] as Part;
    const at = i * STRIDE;
    const { is, lines } = tagBits(part.tags);
    row[at + FIGURE.is] = is | bitsOf(part);
    row[at + FIGURE.lines] = lines;
    row[at + FIGURE.priceCents] = part.priceCents;
    row[at + FIGURE.minutes] = part.minutes;
    row[at + FIGURE.maxPsi] = part.maxPsi;
    row[at + FIGURE.maxF] = part.maxF;
    row[at + FIGURE.lengthIn] = part.lengthIn ?? Number.NaN;
    row[at + FIGURE.maxLengthIn] = part.maxLengthIn ?? Number.NaN;
    startEnd[i + 1] = startEnd[i]! + part.ends.length;
  }
  return { row, centsPerFt: Float64Array.from(parts, (p) => p.centsPerFt ?? 0), startEnd, ...endsOf(parts, startEnd[parts.length]!) };
}

function endsOf(parts: Part[], count: number): Pick<Figures, 'endCode' | 'endEnters' | 'endIn' | 'endValved' | 'endUnvalved'> {
  const endCode = new Int16Array(count);
  const [endEnters, endIn, endValved, endUnvalved] = [new Uint8Array(count), new Uint8Array(count), new Uint8Array(count), new Uint8Array(count)];
  let at = 0;
  for (const part of parts) {
    const isValved = part.tags.some((tag) => tag.startsWith('valved:'));
    for (const { id, code, port } of part.ends) {
      endCode[at] = codeNumber(code);
      endEnters[at] = port === 'in' || port === 'either' ? 1 : 0;
      endIn[at] = port === 'in' ? 1 : 0;
      const own = part.tags.includes(`valved:${id}`);
      endValved[at] = part.ends.length > 2 && own ? 1 : 0;
      endUnvalved[at] = isValved && !own ? 1 : 0;
      at++;
    }
  }
  return { endCode, endEnters, endIn, endValved, endUnvalved };
}

function bitsOf(part: Part): number {
  let bits = 0;
  for (const water of part.waters) bits |= IS[water];
  if (part.potable) bits |= IS.potable;
  if (part.flexible) bits |= IS.flexible;
  if (part.cutToLength) bits |= IS.cut;
  if (isLine(part)) bits |= IS.line;
  return bits;
}

/** What a tag says of a part: what it is, and which kind of line. */
const TAG_BITS = new Map<string, { is: number; lines: number }>([
  ...Object.entries({
    saddle: IS.saddle,
    stop: IS.stop,
    arrestor: IS.arrestor,
    check: IS.check,
    'stop-leak': IS.stopLeak,
    union: IS.union,
    'listed-hidden': IS.listedHidden,
    'needs-access': IS.needsAccess,
    concealable: IS.concealable,
  }).map(([tag, is]) => [tag, { is, lines: 0 }] as const),
  ...Object.entries(TURN_BITS).map(([tag, lines]) => [tag, { is: 0, lines }] as const),
  ...LINE_TAGS.map((tag, i) => [`line:${tag}`, { is: 0, lines: 1 << i }] as const),
]);

function tagBits(tags: string[]): { is: number; lines: number } {
  const out = { is: 0, lines: 0 };
  for (const tag of tags) {
    const known = TAG_BITS.get(tag);
    if (known) {
      out.is |= known.is;
      out.lines |= known.lines;
    } else if (tag.startsWith('line:')) out.lines |= OTHER_LINE;
  }
  return out;
}
