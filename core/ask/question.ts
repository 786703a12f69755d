/** A whole question as it is typed: from what, to what, and what the chain must do. */
import { isOpenPipe, notOurs, type Reading, readEnd, readEndNotes, speaksOfAppliance, unusedWords, withoutPlaces } from '../ends/index.ts';
import type { HouseRules } from '../house/index.ts';
import type { Need } from '../match/index.ts';
import type { Reason } from '../reason.ts';
import { remember } from '../units/index.ts';
import { readDemands } from './demands.ts';
import { describedIn } from './described.ts';
import { FILLER } from './filler.ts';
import { keptIn, partedAt } from './keeps.ts';
import { fitsAsked, isLeak, type QuestionKind } from './kinds.ts';
import { type Mention, rolesOf } from './roles.ts';
import { segmentsOf } from './segments.ts';
import { putRight } from './slips.ts';
import { tidied } from './tidied.ts';

export interface QuestionRead {
  kind: QuestionKind;
  /** Readings of the water side, best first; [] where none was said or none fits. */
  from: Reading[];
  /** Readings of the appliance's side. */
  to: Reading[];
  /** What was parted and is joined again, where a fixture keeps its water. */
  rejoin: Reading[];
  need: Partial<Need>;
  /** House rules that are told otherwise: 'no push'. */
  rules: { push?: HouseRules['push'] };
  /** Words that were not used. */
  unread: string[];
  /** What was said of each side, as typed. */
  said: { from: string; to: string };
  /** What to beware of in what was said, and why something of it was not used. */
  notes: Reason[];
  /** Of the best reading over the next, in nats. */
  margin: number;
}

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
export const readQuestion = (text: string): QuestionRead => remember(questions, MOST_QUESTIONS, text, () => read(text));

/** A screen asks for what was read of its sentence in several places. */
const questions = new Map<string, QuestionRead>();
const MOST_QUESTIONS = 50;

function read(text: string): QuestionRead {
  const plain = tidied(putRight(text.slice(0, MOST_LETTERS)));
  const refused = notOurs(plain);
  if (refused) return { ...NOTHING, kind: 'not-ours', unread: [String(refused.figures?.said)], notes: [refused] };
  return twoNamed(plain) ?? twoCompared(plain) ?? partDescribed(plain) ?? lineAsked(plain);
}

const NOTHING: QuestionRead = {
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
function twoNamed(plain: string): QuestionRead | null {
  const sides = plain.replace(/^from\s+/i, '').split(/\s+(?:to|->)\s+/i);
  if (sides.length !== 2) return null;
  const [from, to] = sides.map(sideOf) as [Side, Side];
  const isNamed = ({ readings }: Side) => ['end code', 'by its name'].includes(readings[0]?.why ?? '');
  if (!(isNamed(from) || isNamed(to)) || from.readings.length === 0 || to.readings.length === 0) return null;
  return { ...NOTHING, kind: 'chain', from: from.readings, to: to.readings, said: { from: from.said, to: to.said }, margin: CERTAIN };
}
const CERTAIN = 10;

/** 'will A fit B' */
function twoCompared(plain: string): QuestionRead | null {
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
function partDescribed(plain: string): QuestionRead | null {
  const part = describedIn(plain);
  if (!part) return null;
  const need = { ...(part.isStop ? { stop: true } : {}), ...(part.lengthIn === null ? {} : { minLengthIn: part.lengthIn }) };
  return { ...NOTHING, kind: part.isStop ? 'part' : 'chain', from: part.from, to: part.to, need, said: { from: plain, to: '' } };
}

/** Water from somewhere to somewhere. */
function lineAsked(plain: string): QuestionRead {
  const isLeaking = isLeak(plain);
  const turned = plain.replace(QUARTER_TURN, STOP_WORD.test(plain) ? ' ' : ' stop ');
  const kept = keptIn(turned.replace(POLITE, ' ').replace(ADAPTER_FOR, ' , '));
  const demands = readDemands(withoutPlaces(kept.rest));
  const segments = segmentsOf(demands.rest.replace(PUSH_TO_CONNECT, 'push-to-connect'));
  const read = segments.map((segment) => ({ segment, side: sideOf(lineless(segment.text)) }));
  const mentions = read.flatMap(({ segment: { relation, text }, side }, i): Mention[] =>
    side.readings.length === 0 || LINE_ALONE.test(side.said)
      ? []
      : [
          {
            relation,
            text,
            readings: side.readings,
            isFed: side.readings[0]!.appliance !== undefined || speaksOfAppliance(side.said),
            isAppliance: side.readings[0]!.appliance !== undefined,
            isBareStop: STOP_ALONE.test(side.said),
            isFirst: i === 0,
          },
        ],
  );
  const roles = rolesOf(mentions);
  if (isLeaking) return { ...NOTHING, kind: 'leaks', ...leakAt(mentions), said: { from: '', to: plain } };
  // 'a stop for half inch pex'
  const isForStop = roles.from ? roles.from.isBareStop : demands.need.stop === true;
  if (isForStop && roles.to && isOpenPipe(roles.to.readings[0]!.end)) {
    return {
      ...NOTHING,
      kind: 'part',
      from: roles.to.readings,
      need: { ...demands.need, stop: true },
      unread: demands.unread,
      said: { from: plain, to: '' },
      margin: roles.margin,
    };
  }
  const hasStop = roles.rest.some((m) => m.isBareStop);
  const need = hasStop ? { stop: true, ...demands.need } : demands.need;
  const parted = kept.fixture === null ? { from: roles.from?.readings ?? [], rejoin: [] } : partedAt(kept, roles.from?.readings ?? []);
  // 'I need 1/4 compression for an ice maker': which of its inlets.
  const inlets = roles.to?.isAppliance ? roles.to.readings.map((r) => r.end) : [];
  const refined = roles.rest.find((m) => m.readings.some((r) => inlets.includes(r.end)));
  const to = refined ? [...refined.readings.filter((r) => inlets.includes(r.end)), ...(roles.to?.readings ?? [])] : (roles.to?.readings ?? []);
  // No appliance stands in a wall: there the pipe does that it is fed from.
  const isHidden = demands.isInWall && to.length > 0 && !roles.to?.isFed;
  const sideSaid = (m: Mention | null) => (m ? sideOf(lineless(m.text)) : null);
  const [a, b] = [sideSaid(roles.from), sideSaid(roles.to)];
  const used = new Set([roles.from, roles.to]);
  const unused = read.flatMap(({ segment, side }) => {
    const mention = mentions.find((m) => m.text === segment.text);
    if (mention && used.has(mention)) return [];
    if (mention?.isBareStop || LINE_ALONE.test(side.said) || (mention && mention === refined)) return [];
    return mention ? notFiller(wordsOf(side.said)) : side.unread;
  });
  return {
    kind: to.length + parted.from.length === 0 ? 'unclear' : 'chain',
    from: parted.from,
    to,
    rejoin: parted.rejoin,
    need: isHidden ? { ...need, reachable: false } : need,
    rules: demands.rules,
    unread: [...(a?.unread ?? []), ...unused, ...(b?.unread ?? []), ...demands.unread],
    said: { from: a?.said ?? '', to: b?.said ?? '' },
    notes: read.flatMap(({ side }) => side.notes),
    margin: roles.margin,
  };
}

/** Where it is wet: the appliance that was named, else an end of one. */
function leakAt(mentions: readonly Mention[]): Pick<QuestionRead, 'to'> {
  const named = mentions.filter((m) => !m.isBareStop);
  const at = named.find((m) => m.isAppliance) ?? named.find((m) => m.isFed) ?? named[0];
  const appliance = at && /\bfill ?-?valve\b/i.test(at.text) ? 'toilet' : at?.readings[0]?.appliance;
  return { to: appliance ? readEnd(appliance.replaceAll('-', ' ')) : (at?.readings ?? []) };
}

/** 'an adapter for A to B': A is where it begins. */
const ADAPTER_FOR = /(?<=\b(?:adapt[eo]r|fitting|coupling|connector|part|piece)s?)\s+for\b(?=.*\s(?:to|->)\s)/i;

/** 'to' that joins nothing: 'I need to', 'push to connect' is a fitting. */
const POLITE =
  /\b(?:need|needs|want|wants|have|has|had|how|going|trying|try|like|used|got|way|able|what|where|something|anything|fitting|piece|part)\s+to\b|\bup(?=\s+to\b)|\bclose to\b|\bnext to\b/gi;
const PUSH_TO_CONNECT = /\bpush to connect\b/gi;
const QUARTER_TURN = /\bquarter[- ]turn\b/gi;
const STOP_WORD = /\b(?:stop|valve|shut ?-?off)s?\b/i;
const STOP_ALONE = /^(?:(?:an?|the|its|own|new|angle|straight|quarter[- ]turn)\s+)*(?:stop|shut[- ]?off)s?(?: valves?)?$/i;
/** A line without a size joins nothing by itself: it is what is looked for. */
const LINE_ALONE = /^(?:(?:an?|the|my|new|old|braided|flexible|flex|supply|water)\s+)*(?:hoses?|lines?|connectors?|supply|supplies|hookups?)$/i;

/** An appliance without its line: 'dishwasher connector'. */
function lineless(text: string): string {
  const bare = text.replace(/\b(?:supply\s+)?(?:hoses?|lines?|connectors?|supply|supplies|hook-?ups?|kit|water line)\b/gi, ' ').trim();
  return bare !== text && isAppliance(bare) ? bare : text;
}

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
