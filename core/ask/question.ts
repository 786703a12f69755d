/** A whole question as it is typed: from what, to what, and what the chain must do. */
import {
  isOpenPipe,
  NO_SIZE_SAID,
  notOurs,
  onlyWater,
  parseEnd,
  type Reading,
  readEnd,
  readEndNotes,
  speaksOfAppliance,
  tradePhrase,
  unusedWords,
  withoutPlaces,
} from '../ends/index.ts';
import { type Reason, reason } from '../reason.ts';
import { remember } from '../units/index.ts';
import { askedOf, CERTAIN_FROM } from './asked.ts';
import { type Demands, readDemands } from './demands.ts';
import { type Described, describedIn, goesOnto } from './described.ts';
import { FILLER } from './filler.ts';
import { type Kept, keptIn, partedAt } from './keeps.ts';
import { fitsAsked, isLeak } from './kinds.ts';
import { inTradeWords } from './own-words.ts';
import { partsDescribed } from './parts.ts';
import type { Answered, Given, QuestionRead } from './question-read.ts';
import { type Mention, type Roles, rolesOf } from './roles.ts';
import { type Segment, segmentsOf } from './segments.ts';
import { withSizes } from './sizes.ts';
import { putRight } from './slips.ts';
import { spansOf } from './spans.ts';
import { tidied } from './tidied.ts';

/** As a sentence is read, before what follows from the whole of it. */
type Read = Omit<QuestionRead, 'spans' | 'asked' | 'part'> & { described?: Described; turned?: Answered };

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
  const meant = words === undefined || text.length > MOST_LETTERS ? text : inTradeWords(text, words);
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

const NOTHING: Read = {
  kind: 'unclear',
  from: [],
  to: [],
  rejoin: [],
  need: {},
  rules: {},
  unread: [],
  said: { from: '', to: '' },
  notes: [],
  margin: 0,
};

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
  const part = describedIn(rest, need.minLengthIn !== undefined);
  if (!part) return null;
  const asked = { ...(part.isStop ? { stop: true } : {}), ...(part.lengthIn === null ? {} : { minLengthIn: part.lengthIn }) };
  const unread = part.pieces.flatMap((piece) => notFiller(unusedWords(piece)));
  return {
    ...NOTHING,
    described: { ...part, lengthIn: part.lengthIn ?? need.minLengthIn ?? null },
    kind: part.isLine ? 'chain' : 'part',
    margin: CERTAIN,
    from: part.from,
    to: part.to,
    need: asked,
    unread,
    said: { from: rest, to: '' },
  };
}

/** A piece of the sentence as it was read; null where it names no end. */
interface Piece {
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

function piecesOf(text: string): Piece[] {
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

/** Water from somewhere to somewhere; or a leak, or a stop by itself. */
function lineAsked(plain: string): Read {
  const turned = plain.replace(QUARTER_TURN, STOP_WORD.test(plain) ? ' ' : ' stop ');
  const kept = keptIn(turned.replace(POLITE, ' ').replace(ADAPTER_FOR, ' , '));
  const demands = readDemands(withoutPlaces(kept.rest));
  const pieces = piecesOf(demands.rest);
  const mentions = pieces.flatMap((p) => p.mention ?? []);
  if (isLeak(plain)) return { ...NOTHING, kind: 'leaks', to: leakAt(mentions), said: { from: '', to: plain } };
  const roles = rolesOf(mentions);
  const stop = stopAlone(roles, demands);
  if (stop) return { ...stop, said: { from: plain, to: '' }, margin: roles.margin };
  const line = lineOf(pieces, roles, demands, kept);
  const isNear = roles.isTurnedNext && roles.margin < CERTAIN_FROM && line.rejoin.length === 0 && !areBothPipe(line);
  return { ...line, rules: demands.rules, margin: roles.margin, ...(isNear ? { turned: { from: line.to, to: line.from } } : {}) };
}

/** Of two pipes neither is the water side more than the other. */
const areBothPipe = ({ from, to }: Read): boolean => [from, to].every(([best]) => best !== undefined && isOpenPipe(best.end));

/** 'a stop for half inch pex' */
function stopAlone({ from, to }: Roles, { need, rules, unread }: Demands): Read | null {
  // 'an angle stop, 1/2 sweat': by its own inlet.
  const best = from?.readings[0];
  const isOfStop = !to && best && (need.stop || STOP_WORD.test(from.text)) && (parseEnd(best.end).kind === 'socket' || isOpenPipe(best.end));
  const own = isOfStop ? from.readings.flatMap((r) => (parseEnd(r.end).kind === 'socket' ? goesOnto(r, 'inlet') : isOpenPipe(r.end) ? [r] : [])) : [];
  if (own.length > 0) return { ...NOTHING, kind: 'part', from: own, need: { ...need, stop: true }, rules, unread };
  const isForStop = from ? from.isBareStop : need.stop === true;
  if (!isForStop || !to || !isOpenPipe(to.readings[0]!.end)) return null;
  return { ...NOTHING, kind: 'part', from: to.readings, need: { ...need, stop: true }, rules, unread };
}

function lineOf(pieces: readonly Piece[], roles: Roles, demands: Demands, kept: Kept): Read {
  const sideSaid = (m: Mention | null) => pieces.find((p) => m !== null && p.mention === m)?.side ?? null;
  const [a, b] = [sideSaid(roles.from), sideSaid(roles.to)];
  const found = a?.readings ?? [];
  const { from, rejoin } = sourceOf(roles, kept, found);
  // 'I need 1/4 compression for an ice maker': which of its inlets.
  const inlets = roles.to?.isAppliance ? roles.to.readings.map((r) => r.end) : [];
  const refined = roles.rest.find((m) => m.readings.some((r) => inlets.includes(r.end)));
  const to = [...(refined?.readings.filter((r) => inlets.includes(r.end)) ?? []), ...(b?.readings ?? [])];
  // No appliance stands in a wall: there the pipe does that it is fed from.
  const isHidden = demands.isInWall && to.length > 0 && !roles.to?.isFed;
  // A line of polyethylene would do for cold water, and not for what a dishwasher takes.
  const isHot = to[0]?.appliance !== undefined && onlyWater(to[0].appliance) === 'hot';
  const hasStop = roles.rest.some((m) => m.isBareStop);
  const unused = pieces.flatMap(({ side, mention }) => {
    if (side === a || side === b || LINE_ALONE.test(side.said)) return [];
    if (mention === null) return side.unread;
    return mention.isBareStop || mention === refined ? [] : notFiller(wordsOf(side.said));
  });
  return {
    ...NOTHING,
    kind: to.length + from.length === 0 ? 'unclear' : 'chain',
    from,
    to,
    rejoin,
    need: {
      ...(hasStop ? { stop: true } : {}),
      ...(isHot ? { water: 'hot' as const } : {}),
      ...demands.need,
      ...(isHidden ? { reachable: false } : {}),
    },
    unread: [...(a?.unread ?? []), ...unused, ...(b?.unread ?? []), ...demands.unread],
    said: { from: a?.said ?? '', to: b?.said ?? '' },
    notes: pieces.flatMap(({ side }) => side.notes),
  };
}

/** Where the water comes from, and what is joined again: a fixture that something else is fed from keeps its water. */
function sourceOf({ from, to }: Roles, kept: Kept, found: Reading[]): { from: Reading[]; rejoin: Reading[] } {
  if (kept.fixture !== null) return partedAt(kept, from?.isFixture ? [] : found);
  if (!from?.isFixture || !to) return { from: found, rejoin: [] };
  return partedAt(
    {
      rest: '',
      fixture: from.readings[0]!.appliance === 'toilet' ? 'toilet' : 'sink',
      atStop: /\b(?:stop|valve|shut ?-?off|supply)\b/i.test(from.text),
    },
    [],
  );
}

/** Where it is wet: the appliance that was named, else an end of one. */
function leakAt(mentions: readonly Mention[]): Reading[] {
  const named = mentions.filter((m) => !m.isBareStop);
  const at = named.find((m) => m.isAppliance) ?? named.find((m) => m.isFed) ?? named[0];
  const appliance = at && /\bfill ?-?valve\b/i.test(at.text) ? 'toilet' : at?.readings[0]?.appliance;
  return appliance ? readEnd(appliance.replaceAll('-', ' ')) : (at?.readings ?? []);
}

/** 'an adapter for A to B': A is where it begins. */
const ADAPTER_FOR = /(?<=\b(?:adapt[eo]r|fitting|coupling|connector|part|piece)s?)\s+for\b(?=.*\s(?:to|->)\s)/i;

/** 'to' that joins nothing: 'I need to', 'push to connect' is a fitting. */
const POLITE =
  /\b(?:need|needs|want|wants|have|has|had|how|going|trying|try|like|used|got|way|able|what|where|something|anything|fitting|piece|part)\s+to\b|\bup(?=\s+to\b)|\bclose to\b|\bnext to\b/gi;
const PUSH_TO_CONNECT = /\bpush to connect\b/gi;
const QUARTER_TURN = /\bquarter[- ]turn\b/gi;
const STOP_WORD = /\b(?:stop|valve|shut ?-?off)s?\b/i;
const STOP_ALONE =
  /^(?:(?:an?|the|its|own|new|old|angle|straight|quarter[- ]turn|compression|push|sweat|solder|bath(?:room)?|kitchen|toilet|commode|sink|faucet|basin|vanity|lav(?:atory)?)\s+)*(?:stop|shut[- ]?off)s?(?: valves?)?$/i;
/** A line without a size joins nothing by itself: it is what is looked for. */
const LINE_ALONE = /^(?:(?:an?|the|my|new|old|braided|flexible|flex|supply|water)\s+)*(?:hoses?|lines?|connectors?|supply|supplies|hookups?)$/i;

/** An appliance without its line: 'dishwasher connector'. */
function lineless(text: string): string {
  const bare = text.replace(/\b(?:supply\s+)?(?:hoses?|lines?|connectors?|supply|supplies|hook-?ups?|kit|water line)\b/gi, ' ').trim();
  return bare !== text && isAppliance(bare) ? bare : text;
}

/** An appliance, or an end of one: 'fridge with 1/4 quick connect', 'M10 faucet tails'. */
const isFed = ({ readings, said }: Side): boolean => readings[0]?.appliance !== undefined || speaksOfAppliance(said);

/** Read as an appliance, by no thread, tube or fitting of its own. */
const isAppliance = (text: string): boolean => sideOf(text).readings[0]?.appliance !== undefined;

interface Side {
  readings: Reading[];
  unread: string[];
  said: string;
  notes: Reason[];
}

/** A question asks for the same side several times over, and the next key for one of the two again. */
const sides = new Map<string, Side>();
const MOST_SIDES = 100;
const sideOf = (text: string): Side => remember(sides, MOST_SIDES, text, () => readSide(text));

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

const bare = (word: string): string => word.toLowerCase().replace(/^[^\w/.½¼¾⅛⅜⅝⅞]+|[^\w'/½¼¾⅛⅜⅝⅞]+$/g, '');
const wordsOf = (text: string): string[] =>
  text
    .split(/[\s,;:]+/)
    .map(bare)
    .filter((word) => word !== '');
const notFiller = (words: string[]): string[] => words.filter((word) => !FILLER.has(word));
