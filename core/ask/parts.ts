/** Parts that a sentence describes by their own ends: '3/8 comp x 7/8 bc x 16', '1/2 sweat x 3/8 comp angle stop'. */
import { type EndCode, mate, parseEnd } from '../ends/index.ts';
import type { Part } from '../match/index.ts';
import type { Described } from './described.ts';

/** What parts of the trade are told apart by, beside their ends. */
const LOOKS = [
  'quarter-turn',
  'multi-turn',
  'angle',
  'straight',
  'dual',
  'braided',
  'stainless',
  'vinyl',
  'rubber',
  'plastic',
  'elbow',
  'tee',
  'union',
  'coupling',
];
/** A connector of such a length is the one that was asked for, in. */
const SAME_LENGTH_IN = 0.6;

const familyOf = (code: EndCode): string => code.split('-')[0]!;

/** Whether an end of a part is what was said, by what it goes onto. */
function isEnd(code: EndCode, said: EndCode, onto: EndCode): boolean {
  const [own, other] = [familyOf(code), familyOf(said)];
  const isPipe = (family: string) => family === 'npt' || family === 'npsm';
  if (own !== other && !(isPipe(own) && isPipe(other))) return false;
  if (parseEnd(code).kind !== parseEnd(said).kind) return false;
  return code === said || ['seals', 'marginal'].includes(mate(code, onto).verdict);
}

/**
 * Ids of the parts that are so described, the likeliest first: of the length that was said, then the next longer; of those the one that is called so.
 *
 * @param text the sentence, for the words by which parts are called
 */
export function partsDescribed(parts: readonly Part[], described: Described, text: string): string[] {
  const { ends, from, to, isStop, isLine, lengthIn } = described;
  const said = text.toLowerCase().replaceAll('quarter turn', 'quarter-turn');
  const looks = LOOKS.filter((word) => said.includes(word));
  const [a, b] = ends;
  // Only the first reading of either end: a second is another part.
  const [one, two] = [a[0]?.end, b[0]?.end];
  if (one === undefined || two === undefined || !from[0] || !to[0]) return [];
  const fits = (part: Part): boolean =>
    part.ends.some((e, i) => isEnd(e.code, one, from[0]!.end) && part.ends.some((other, j) => i !== j && isEnd(other.code, two, to[0]!.end)));
  const off = (part: Part): number => (lengthIn === null || part.lengthIn === undefined ? 0 : part.lengthIn - lengthIn);
  return parts
    .filter((part) => part.flexible === isLine && part.tags.includes('stop') === isStop && fits(part))
    .map((part) => ({ part, off: off(part), looks: looks.filter((word) => part.name.includes(word)).length }))
    .sort((x, y) => rank(x.off) - rank(y.off) || y.looks - x.looks || Math.abs(x.off) - Math.abs(y.off) || x.part.priceCents - y.part.priceCents)
    .map(({ part }) => part.id);
}

/** Of the length, longer, shorter. */
const rank = (off: number): number => (Math.abs(off) <= SAME_LENGTH_IN ? 0 : off > 0 ? 1 : 2);
