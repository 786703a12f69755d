import { type EndCode, parseEnd } from '../ends/code.ts';
import type { Traversal } from './catalogue-index.ts';
import { isLine, type Part } from './part.ts';
import type { Branch } from './query.ts';
import { CAP_RATE, callbackRateOf, jointAllowed, looseShort, partShort, type Setting } from './setting.ts';
import { cutLengthIn, notPreferred, pushRefused } from './suits.ts';

/** What a chain has so far, as bits. */
export const HAS = { line: 1, stop: 2, arrestor: 4, check: 8, rejoined: 16, trip: 32 } as const;

/** One way to put one part into a chain, with everything it costs by itself. */
export interface Option {
  part: Part;
  inEnd: string;
  outEnd: string;
  inCode: EndCode;
  outCode: EndCode;
  branches: Branch[];
  /** Codes of the loose pieces its own branches take. */
  loose: string[];
  lengthIn: number;
  cutLengthIn: number | null;
  line: boolean;
  union: boolean;
  gives: { stop: boolean; arrestor: boolean; check: boolean; rejoined: boolean };
  /** Something of it is not on the van. */
  short: boolean;
  /** Dollars, trip left aside. */
  cost: number;
}

/** Every way to use a part that suits the need; of ways alike in codes and rejoining the cheapest. */
export function optionsOf(s: Setting, traversal: Traversal, marginal: boolean): Option[] {
  const part = s.index.parts[traversal.part] as Part;
  const used = [traversal.inEnd, traversal.outEnd];
  if (used.some((n) => pushBarred(s, part, n))) return [];
  const rejoins = s.rejoin === null ? [null] : [null, ...traversal.spare];
  return rejoins.flatMap((rejoinEnd) => {
    const branches = branchesOf(s, part, traversal.spare, rejoinEnd, marginal);
    return branches ? [option(s, part, traversal, branches)] : [];
  });
}

function pushBarred(s: Setting, part: Part, end: number): boolean {
  return parseEnd(part.ends[end]!.code).family === 'ptc' && pushRefused(part, s.need, s.rules) !== null;
}

/** What becomes of the ends the water does not go through; null when one of them cannot be dealt with. */
function branchesOf(s: Setting, part: Part, spare: number[], rejoinEnd: number | null, marginal: boolean): Branch[] | null {
  const out: Branch[] = [];
  for (const n of spare) {
    const end = part.ends[n]!;
    const branch = { part: part.id, end: end.id, code: end.code };
    if (n === rejoinEnd) {
      const fits = end.port !== 'in' && !pushBarred(s, part, n) && jointAllowed(s.mating(s.rejoin as EndCode, end.code), s.need, marginal);
      if (!fits) return null;
      out.push({ ...branch, use: 'rejoin' });
    } else if (part.tags.includes(`valved:${end.id}`)) {
      out.push({ ...branch, use: 'free' });
    } else {
      if (end.port === 'in' || !s.loosePrice.has(`cap-${end.code}`) || pushBarred(s, part, n)) return null;
      out.push({ ...branch, use: 'cap' });
    }
  }
  return out;
}

function option(s: Setting, part: Part, t: Traversal, branches: Branch[]): Option {
  const { weights } = s.rules;
  const cut = part.cutToLength && s.need.minLengthIn !== null ? cutLengthIn(part, s.need.minLengthIn) : null;
  const rejoin = branches.find((b) => b.use === 'rejoin');
  const mating = rejoin && s.mating(s.rejoin as EndCode, rejoin.code);
  const loose = [...branches.filter((b) => b.use === 'cap').map((b) => `cap-${b.code}`), ...(mating?.loose ?? [])];
  const caps = branches.filter((b) => b.use === 'cap').length;
  const rate = caps * CAP_RATE + (mating ? callbackRateOf(mating) : 0);
  const cents = piecePriceCents(part, cut) + loose.reduce((sum, code) => sum + (s.loosePrice.get(code) ?? 0), 0);
  return {
    part,
    inEnd: part.ends[t.inEnd]!.id,
    outEnd: part.ends[t.outEnd]!.id,
    inCode: part.ends[t.inEnd]!.code,
    outCode: part.ends[t.outEnd]!.code,
    branches,
    loose,
    lengthIn: cut ?? part.lengthIn ?? 0,
    cutLengthIn: cut,
    line: isLine(part),
    union: part.tags.includes('union'),
    gives: {
      stop: part.tags.includes('stop'),
      arrestor: part.tags.includes('arrestor'),
      check: part.tags.includes('check'),
      rejoined: rejoin !== undefined,
    },
    short: partShort(s, part.id) || loose.some((code) => looseShort(s, code, 1)),
    cost:
      cents / 100 +
      part.minutes * weights.minuteDollars +
      rate * weights.callbackDollars +
      (notPreferred(part, s.rules) ? weights.notPreferredDollars : 0),
  };
}

/** Price of a part, or of the piece cut from it, in whole cents. */
export function piecePriceCents(part: Part, cutIn: number | null): number {
  return cutIn === null ? part.priceCents : Math.round(part.priceCents + ((part.centsPerFt ?? 0) * cutIn) / 12);
}
