/** A whole question as it is typed: from what, to what, and what the chain must do. */
import { notOurs, unusedWords } from '../ends/index.ts';
import { reason } from '../reason.ts';
import { remember } from '../units/index.ts';
import { askedOf } from './asked.ts';
import { type Demands, readDemands } from './demands.ts';
import { type Described, describedIn } from './described.ts';
import { fitsAsked } from './kinds.ts';
import { lineAsked } from './line.ts';
import { inTradeWords } from './own-words.ts';
import { partsDescribed } from './parts.ts';
import { isFed, notFiller, type Side, sideOf } from './pieces.ts';
import type { Given, QuestionRead } from './question-read.ts';
import { NOTHING, type Read } from './read.ts';
import { putRight } from './slips.ts';
import { spansOf } from './spans.ts';
import { tidied } from './tidied.ts';

/** Longer than any sentence that is one question. */
const MOST_LETTERS = 400;

/**
 * Reads a question in the words of the trade: 'from 1/2 copper to a toilet, 20 in, with a stop', 'what joins 3/4 ght to a fridge', 'fridge'.
 *
 * An appliance is where the water goes, whichever way round it is said; by itself it is `to`, any other end by itself is `from`. Gas, heaters, fire sprinklers and irrigation mains are read as nothing, with who does them.
 *
 * @returns readings of either side, what is asked of the chain, and the words that were not used
 * @source trade usage
 */
export function readQuestion(text: string, { parts, words }: Given = {}): QuestionRead {
  // No word of the shop makes ours of what is not.
  const meant = words === undefined || text.length > MOST_LETTERS || notOurs(text) ? text : inTradeWords(text, words);
  const { read, described } = remember(questions, MOST_QUESTIONS, meant.slice(0, MOST_LETTERS + 1), () => whole(meant));
  if (meant === text && (parts === undefined || !described)) return read;
  return {
    ...read,
    ...(meant === text ? {} : { spans: spansOf(text, read.unread) }),
    ...(parts === undefined || !described ? {} : { part: { ids: partsDescribed(parts, described, meant) } }),
  };
}

/** A screen asks for what was read of its sentence in several places. */
const questions = new Map<string, { read: QuestionRead; described: Described | undefined }>();
const MOST_QUESTIONS = 50;

function whole(text: string): { read: QuestionRead; described: Described | undefined } {
  if (text.length > MOST_LETTERS) return { read: { ...NOTHING, spans: [], asked: [], notes: [TOO_LONG] }, described: undefined };
  const { described, turned, ...read } = readWhole(text);
  const spans = spansOf(text, read.unread);
  const complete = { ...read, spans, asked: [] };
  return { read: { ...complete, asked: askedOf(complete, turned ?? null) }, described };
}

const TOO_LONG = reason('too-long', `Longer than ${MOST_LETTERS} letters: ask one thing at a time.`);

function readWhole(typed: string): Read {
  const plain = tidied(putRight(typed));
  // As it was typed too: no slip put right makes ours of what is not.
  const refused = notOurs(typed) ?? (plain === typed ? null : notOurs(plain));
  if (refused) return { ...NOTHING, kind: 'not-ours', unread: [String(refused.figures?.said)], notes: [refused] };
  return twoCompared(plain) ?? twoTold(plain) ?? lineAsked(plain);
}

/** Both ends told outright, by their names or as those of a part, and what is wished besides. */
function twoTold(plain: string): Read | null {
  const demands = readDemands(plain);
  const rest = demands.rest.replace(/^[\s,]+|[\s,]+$/g, '');
  const read = twoNamed(rest) ?? partDescribed(rest, demands);
  return read && { ...read, need: { ...demands.need, ...read.need }, rules: demands.rules, unread: [...read.unread, ...demands.unread] };
}

/** Two ends by their codes or labels, which hold commas and signs of their own. */
function twoNamed(rest: string): Read | null {
  const sides = rest.replace(/^from\s+/i, '').split(/\s+(?:to|->)\s+/i);
  if (sides.length !== 2) return null;
  const [from, to] = sides.map(sideOf) as [Side, Side];
  const isNamed = ({ readings }: Side) => ['end code', 'by its name'].includes(readings[0]?.why ?? '');
  if (!(isNamed(from) || isNamed(to)) || from.readings.length === 0 || to.readings.length === 0) return null;
  const [a, b] = isFed(from) && !isFed(to) ? [to, from] : [from, to];
  return {
    ...NOTHING,
    kind: 'chain',
    from: a.readings,
    to: b.readings,
    unread: [...a.unread, ...b.unread],
    said: { from: a.said, to: b.said },
    notes: [...a.notes, ...b.notes],
    margin: CERTAIN,
  };
}
const CERTAIN = 10;

/** 'will A fit B' */
function twoCompared(plain: string): Read | null {
  const two = fitsAsked(plain);
  if (!two) return null;
  const [a, b] = two.map((one) => sideOf(one.replace(BARE_PIPE, '$1 pipe thread')));
  if (a!.readings.length === 0 || b!.readings.length === 0) return null;
  return {
    ...NOTHING,
    kind: 'fits',
    from: a!.readings,
    to: b!.readings,
    unread: [...a!.unread, ...b!.unread],
    said: { from: a!.said, to: b!.said },
    notes: [...a!.notes, ...b!.notes],
  };
}

/** Asked whether a thread goes onto it, '3/8 pipe' is its thread. */
const BARE_PIPE = /^((?:an?\s+)?[\d/]+"?)\s+pipe$/i;

/** '3/8 comp x 7/8 bc x 16' */
function partDescribed(rest: string, { need }: Demands): Read | null {
  const part = describedIn(rest, need.minLengthIn);
  if (!part) return null;
  const asked = { ...(part.isStop ? { stop: true } : {}), ...(part.lengthIn === null ? {} : { minLengthIn: part.lengthIn }) };
  const unread = part.pieces.flatMap((piece) => notFiller(unusedWords(piece)));
  return {
    ...NOTHING,
    described: part,
    kind: part.isLine ? 'chain' : 'part',
    margin: CERTAIN,
    from: part.from,
    to: part.to,
    need: asked,
    unread,
    said: { from: rest, to: '' },
  };
}
