/** A whole question as it is typed: from what, to what, and what the chain must do. */
import { notOurs, type Reading, readEnd, readEndNotes, speaksOfAppliance, unusedWords, withoutPlaces } from '../ends/index.ts';
import type { HouseRules } from '../house/index.ts';
import type { Need } from '../match/index.ts';
import type { Reason } from '../reason.ts';
import { remember } from '../units/index.ts';
import { readDemands } from './demands.ts';

export interface QuestionRead {
  /** Readings of the water side, best first; [] where none was said or none fits. */
  from: Reading[];
  /** Readings of the appliance's side. */
  to: Reading[];
  need: Partial<Need>;
  /** House rules that are told otherwise: 'no push'. */
  rules: { push?: HouseRules['push'] };
  /** Words that were not used. */
  unread: string[];
  /** What was said of each side, as typed. */
  said: { from: string; to: string };
  /** What to beware of in what was said, and why something of it was not used. */
  notes: Reason[];
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
  const plain = text.slice(0, MOST_LETTERS).replace(/\s+/g, ' ').trim();
  const refused = notOurs(plain);
  if (refused) return { ...NOTHING, unread: [String(refused.figures?.said)], said: { from: '', to: '' }, notes: [refused] };
  const demands = readDemands(withoutPlaces(plain));
  const sides = turnedRight(sidesOf(demands.rest.replace(POLITE, ' ')));
  const from = sideOf(sides.from);
  const to = sideOf(sides.to);
  const hasStop = STOP_BETWEEN.test(sides.between);
  const between = sideOf(hasStop ? '' : sides.between);
  const need = hasStop ? { ...demands.need, stop: true } : demands.need;
  // No appliance stands in a wall: there the pipe does that it is fed from.
  const isHidden = demands.isInWall && to.readings.length > 0 && !isFed(sides.to);
  return {
    from: from.readings,
    to: to.readings,
    need: isHidden ? { ...need, reachable: false } : need,
    rules: demands.rules,
    unread: [
      ...from.unread,
      ...notFiller(between.readings.length > 0 ? wordsOf(between.said) : unusedWords(between.said)),
      ...to.unread,
      ...demands.unread,
    ],
    said: { from: from.said, to: to.said },
    notes: [...from.notes, ...to.notes],
  };
}

const NOTHING: Omit<QuestionRead, 'said' | 'notes'> = { from: [], to: [], need: {}, rules: {}, unread: [] };

/** 'to' that joins nothing: 'I need to', 'push to connect' is a fitting. */
const POLITE =
  /\b(?:need|needs|want|wants|have|has|had|how|going|trying|try|like|used|got|way|able|what|where|something|anything|fitting|piece|part)\s+to\b|\bup(?=\s+to\b)|\bclose to\b|\bnext to\b/gi;
const PUSH_TO_CONNECT = /\bpush to connect\b/gi;
const STOP_BETWEEN = /^\W*(?:an? )?(?:(?:angle|straight|new) )?(?:stop|shut[- ]?off)(?: valve)?\W*$/i;

interface Sides {
  from: string;
  between: string;
  to: string;
  /** Said outright which is which: 'from A', 'A x B'. */
  isPlain?: boolean;
}

const INTO = String.raw`\s+(?:in)?to\s+(?:an?\s+|the\s+|my\s+)?|\s+onto\s+|\s*(?:->|=>|→|⇒|>)\s*|\s+feed(?:s|ing)\s+|\s+supplying\s+`;
/** Words that set two ends side by side, the surest first. */
const SIDE_BY_SIDE = /(?<!\bm ?[\d.]+)\s+(?:x|by)\s+(?=\S)/i;
const JOINTS: readonly RegExp[] = [new RegExp(INTO, 'i'), SIDE_BY_SIDE];
const BESIDE =
  /\b(?:between|join(?:s|ing)?|connect(?:s|ing)?|coupl(?:e|es|ing)|mat(?:e|es|ing)|link(?:s|ing)?|put(?:s|ting)? together)\b\s*(.+?)\s+(?:and|with|&)\s+(.+)$/i;
const FOR = /\s+for\s+/i;
/** 'bidet off the toilet stop' */
const OUT_OF = /\bfrom\b|(?<!shut[ -])\boff(?: of)?\b/i;

/** The two sides as they are said, and what stands between them. */
function sidesOf(text: string): Sides {
  const plain = text.replace(PUSH_TO_CONNECT, 'push-to-connect');
  const said = OUT_OF.exec(plain);
  if (said) {
    const before = plain.slice(0, said.index);
    const after = plain.slice(said.index + said[0].length);
    // 'feed a fridge from a hose bib'
    const parted = fed(before);
    // '1/4 compression for an ice maker' is one end.
    const goal = parted && sideOf(parted.from).readings.length === 0 ? parted : { to: before, from: '' };
    if (!apart(after) && sideOf(goal.to).readings.length > 0) return { from: after, between: goal.from, to: goal.to };
    const { from, between, to } = apart(after) ?? fed(after) ?? listed(after) ?? { from: after, between: '', to: '' };
    return { from, between: `${before} ${between}`, to, isPlain: true };
  }
  const beside = BESIDE.exec(plain);
  return (
    apart(plain) ??
    (beside ? { from: beside[1]!, between: plain.slice(0, beside.index), to: beside[2]! } : null) ??
    fed(plain) ??
    listed(plain) ??
    alone(plain)
  );
}

/** 'A to B', 'A -> B', 'A x B'; 'to B' by itself. */
function apart(text: string): Sides | null {
  for (const joint of JOINTS) {
    const sides = ` ${text}`.split(joint);
    if (sides.length > 1) return { from: sides[0]!, between: sides.slice(1, -1).join(' '), to: sides.at(-1)!, isPlain: joint === SIDE_BY_SIDE };
  }
  return null;
}

/** 'A for a toilet', 'A for B'. */
function fed(text: string): Sides | null {
  const [from, ...rest] = text.split(FOR);
  const to = rest.join(' ');
  const isGoal = to !== '' && (isAppliance(to) || [from!, to].every((side) => sideOf(side).readings.length > 0));
  return isGoal ? { from: from!, between: '', to } : null;
}

/** 'half inch copper, toilet' */
function listed(text: string): Sides | null {
  const [from, to, ...more] = text.split(',').filter((part) => sideOf(part).readings.length > 0);
  return from !== undefined && to !== undefined && more.length === 0 ? { from, between: '', to } : null;
}

const alone = (text: string): Sides => (isAppliance(text) ? { from: '', between: '', to: text } : { from: text, between: '', to: '' });

/** Read as an appliance, by no thread, tube or fitting of its own. */
const isAppliance = (text: string): boolean => sideOf(text).readings[0]?.appliance !== undefined;

/** An appliance, or an end of one: 'fridge with 1/4 quick connect', 'M10 faucet tails'. */
const isFed = (text: string): boolean => isAppliance(text) || speaksOfAppliance(text);

/** Water goes to the appliance: 'connect a dishwasher to 3/8 comp'. */
function turnedRight(sides: Sides): Sides {
  const { from, between, to } = sides;
  const isEnd = sides.isPlain ? isAppliance : isFed;
  const isTurned = isEnd(from) && (to === '' ? isAppliance(from) : sideOf(to).readings.length > 0 && !isFed(to));
  return isTurned ? { from: to, between, to: from } : sides;
}

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

/** What a question is dressed in. */
const FILLER = new Set(
  `both i i'm i've im ive we we've you he she they it it's its that that's this these those there here what what's whats which who where when why how do does did is are was be been am can could
  would should will shall may might must need needs needed want wants wanted have has had got get gets getting gotta take takes use uses using fit fits fitting goes go going run runs running
  come comes coming hook hooks hooking hookup up feed feeds feeding supplying connect connects connecting connection join joins joined joining attach attaches adapt adapts adapter
  adaptor put make makes install installing replace replacing swap change switch find show tell give some something anything thing things stuff part parts piece pieces please thanks thank
  hi hello me my mine our ours your customer customer's his her their one and or but then so just only also plus with w/ without at least about roughly around some over than more less
  away apart reach reaches reaching long length distance from for between into onto on in of by through via an a the to kind sort right correct let let's lets water ok okay and/or`.split(
    /\s+/,
  ),
);
