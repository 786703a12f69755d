/** A sentence in pieces, each read as what may be an end. */

import { isOpenPipe, NO_SIZE_SAID, type Reading, readEnd, readEndNotes, speaksOfAppliance, tradePhrase, unusedWords } from '../ends/index.ts';
import type { Reason } from '../reason.ts';
import { remember } from '../units/index.ts';
import { FILLER } from './filler.ts';
import type { Mention } from './roles.ts';
import { type Segment, segmentsOf } from './segments.ts';
import { withSizes } from './sizes.ts';

/** A piece of the sentence as it was read; null where it names no end. */
export interface Piece {
  side: Side;
  mention: Mention | null;
}

/** 'espresso machine 1/2 copper', 'tub spout 1/2 copper': an appliance and the pipe it is on, with no word between. */
function apart(segment: Segment): Segment[] {
  const words = segment.text.split(' ');
  const [best] = sideOf(segment.text).readings;
  if (!best || best.appliance || !isOpenPipe(best.end) || !isFed(sideOf(segment.text))) return [segment];
  for (let many = Math.min(MOST_WORDS, words.length - 1); many > 0; many--) {
    for (let at = 0; at + many <= words.length; at++) {
      const thing = words.slice(at, at + many).join(' ');
      if (!tradePhrase(thing.toLowerCase())?.appliance) continue;
      const rest = [...words.slice(0, at), ...words.slice(at + many)].join(' ');
      const pipe = sideOf(rest).readings[0];
      if (!pipe || pipe.appliance || !isOpenPipe(pipe.end) || pipe.why === NO_SIZE_SAID) return [segment];
      return [
        { ...segment, text: thing },
        { ...segment, relation: 'beside', text: rest },
      ];
    }
  }
  return [segment];
}
/** Of a phrase of the trade. */
const MOST_WORDS = 4;

/** What keeps its water when something else is fed beside it. */
const FIXTURES: readonly string[] = ['toilet', 'basin-faucet', 'kitchen-faucet'];

export function piecesOf(text: string): Piece[] {
  const segments = segmentsOf(text.replace(PUSH_TO_CONNECT, 'push-to-connect')).flatMap(apart);
  const sized = withSizes(segments.map(({ text: said }) => ({ text: said, readings: sideOf(lineless(said)).readings })));
  return segments.flatMap(({ relation }, i): Piece[] => {
    const said = sized[i] ?? null;
    if (said === null) return [];
    const side = sideOf(lineless(said));
    const [best] = side.readings;
    if (!best || LINE_ALONE.test(side.said)) return [{ side, mention: null }];
    const isAppliance = best.appliance !== undefined;
    const mention = {
      relation,
      text: said,
      readings: side.readings,
      isFed: isFed(side),
      isAppliance,
      isFixture: isAppliance && FIXTURES.includes(best.appliance!),
      isBareStop: STOP_ALONE.test(side.said),
      isFirst: i === 0,
    };
    return [{ side, mention }];
  });
}
const PUSH_TO_CONNECT = /\bpush to connect\b/gi;
const STOP_ALONE =
  /^(?:(?:an?|the|its|own|new|old|angle|straight|quarter[- ]turn|compression|push|sweat|solder|bath(?:room)?|kitchen|toilet|commode|sink|faucet|basin|vanity|lav(?:atory)?)\s+)*(?:stop|shut[- ]?off|valve)s?(?: valves?)?$/i;
/** A line without a size joins nothing by itself: it is what is looked for. */
export const LINE_ALONE =
  /^(?:(?:an?|the|my|new|old|braided|stainless|steel|rubber|long|longer|short|shorter|replacement|flexible|flex|supply|water)\s+)*(?:hoses?|lines?|connectors?|supply|supplies|hookups?)$/i;

/** An appliance without its line: 'dishwasher connector'. */
function lineless(text: string): string {
  const bare = text.replace(/\b(?:supply\s+)?(?:hoses?|lines?|connectors?|supply|supplies|hook-?ups?|kit|water line)\b/gi, ' ').trim();
  return bare !== text && isAppliance(bare) ? bare : text;
}

/** An appliance, or an end of one: 'fridge with 1/4 quick connect', 'M10 faucet tails'. */
export const isFed = ({ readings, said }: Side): boolean => readings[0]?.appliance !== undefined || speaksOfAppliance(said);

/** Read as an appliance, by no thread, tube or fitting of its own. */
const isAppliance = (text: string): boolean => sideOf(text).readings[0]?.appliance !== undefined;

export interface Side {
  readings: Reading[];
  unread: string[];
  said: string;
  notes: Reason[];
}

/** A question asks for the same side several times over, and the next key for one of the two again. */
const sides = new Map<string, Side>();
const MOST_SIDES = 100;
export const sideOf = (text: string): Side => remember(sides, MOST_SIDES, text, () => readSide(text));

function readSide(text: string): Side {
  const words = [...text.matchAll(/[^\s,;:?!]+/g)].filter(([word]) => !FILLER.has(bare(word)));
  const last = words.at(-1);
  const said = last ? text.slice(words[0]!.index, last.index + last[0].length) : '';
  if (said === '') return { readings: [], unread: [], said, notes: [] };
  const readings = readEnd(said);
  const unused = notFiller(unusedWords(said));
  const unread = readings.length === 0 && unused.length === 0 ? notFiller(wordsOf(said)) : unused;
  return { readings, unread, said, notes: readEndNotes(said).filter((n) => n.rule !== 'unused') };
}

/** A word without what stands before and behind it. */
export const bare = (word: string): string => word.toLowerCase().replace(/^[^\w/.½¼¾⅛⅜⅝⅞]+|[^\w'/½¼¾⅛⅜⅝⅞]+$/g, '');
export const wordsOf = (text: string): string[] =>
  text
    .split(/[\s,;:]+/)
    .map(bare)
    .filter((word) => word !== '');
export const notFiller = (words: string[]): string[] => words.filter((word) => !FILLER.has(word));
