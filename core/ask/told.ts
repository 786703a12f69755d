/** What is told of an end or a part elsewhere than in a question, by the same reader: a field, a call, a column of a file. */
import { type EndCode, isEndCode, parseEnd, type Reading, readEnd, unusedWords } from '../ends/index.ts';
import type { Part } from '../match/index.ts';
import { readDemands } from './demands.ts';
import { type Described, describedIn } from './described.ts';
import { inTradeWords, type OwnWords } from './own-words.ts';
import { partsDescribed } from './parts.ts';
import { putRight } from './slips.ts';
import { tidied } from './tidied.ts';

/** An end as it was told, in words that `readEnd` reads: the shop's own words as they are meant, and slips put right where as it stands a word was left. */
export function asTold(text: string, words: OwnWords = {}): string {
  const meant = inTradeWords(text, words);
  if (readEnd(meant).length > 0 && unusedWords(meant).length === 0) return meant;
  const right = putRight(meant);
  return readEnd(right).length > 0 && unusedWords(right).length < unusedWords(meant).length ? right : meant;
}

export interface ToldPart {
  /** Its own ends, the water side first. */
  ends: [EndCode, EndCode];
  isLine: boolean;
  isStop: boolean;
  lengthIn: number | null;
}

const described = (text: string): Described | null => {
  const { rest, need } = readDemands(tidied(putRight(text)));
  return describedIn(rest.replace(/^[\s,]+|[\s,]+$/g, ''), need.minLengthIn);
};

/** The ends of a part by its description: 'braided toilet connector 3/8 comp x 7/8 ballcock, 12 in'; null where it does not tell both. */
export function readPart(text: string): ToldPart | null {
  const part = described(text);
  if (!part || part.from.length === 0 || part.to.length === 0) return null;
  const [a, b] = part.ends.map((readings) => ownEnd(readings, part.isLine)) as [EndCode | null, EndCode | null];
  return a === null || b === null ? null : { ends: [a, b], isLine: part.isLine, isStop: part.isStop, lengthIn: part.lengthIn };
}

/** What a connector ends in is its nut. */
function ownEnd(readings: readonly Reading[], isLine: boolean): EndCode | null {
  const [best] = readings;
  if (!best) return null;
  const end = parseEnd(best.end);
  if (end.kind !== 'thread' || !isLine) return best.end;
  // 'FIP' on a connector is a swivel nut.
  const nut = `${end.family === 'npt' ? 'npsm' : end.family}-${end.size}-f`;
  return isEndCode(nut) ? nut : best.end;
}

/** Of these, the parts that are so described by their ends; [] where none is, or nothing is described. */
export function findParts(text: string, parts: readonly Part[]): string[] {
  const part = described(text);
  return part ? partsDescribed(parts, part, text) : [];
}
