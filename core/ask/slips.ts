/** Slips of the keyboard put right against the words of the trade: two letters swapped, one missing, doubled or wrong; words joined or parted. */
import distance from 'damerau-levenshtein';
import { vocabularyWords } from '../ends/index.ts';
import { remember } from '../units/index.ts';
import { FILLER } from './filler.ts';

/** Words of a question that name no end. */
const BESIDE = `arrestor arrestors hammer backflow preventer check vacuum breaker hidden concealed buried drywall braided stainless brass connector connectors supply coupling
  adapter fittings fitting without water customer leave keep connected working feeding feed hook hookup connect install installing replace replacing between behind under sink kitchen
  bathroom counter cabinet outlet inches inch feet foot about from over what whats need needs want wants with does will same thread screw leaking leak leaks drip drips dripping spraying
  floor wall line lines hose hoses pipe parts part line their there through where which would could should please thanks going away long reach length hard cold warm tell know have
  your mine theirs stub quarter turn half eighths three five seven inside outside solder soldering heater furnace boiler sprinkler irrigation propane fireplace generator range stove
  dryer grill pool lawn fire tankless started night when fills wont stop stops valve valves shutoff existing old new stainless pair two some split keeps banging want garden spigot psi bar kpa deg degrees metre meter six eight nine ten twelve fifteen sixteen eighteen twenty thirty forty fifty sixty one four
  couple yard hour losing touching wall floor`;

const LEAST_LETTERS = 3;
/** From this length on two slips are taken for slips. */
const LONG = 9;

interface Lexicon {
  /** What a word costs to be taken for: less where it names something. */
  words: ReadonlyMap<string, number>;
  /** By length: what a slip of that length may have been. */
  byLength: ReadonlyMap<number, readonly string[]>;
}

const [NAMING, OF_TRADE, OTHER] = [0, 0.15, 0.25];
let made: Lexicon | null = null;

function lexicon(): Lexicon {
  if (made) return made;
  const words = new Map([...FILLER, ...BESIDE.split(/\s+/)].map((word) => [word, OTHER]));
  for (const [word, isNaming] of vocabularyWords()) words.set(word, isNaming ? NAMING : OF_TRADE);
  const byLength = new Map<number, string[]>();
  for (const word of words.keys()) {
    if (/^[a-z']{4,}$/.test(word)) byLength.set(word.length, [...(byLength.get(word.length) ?? []), word]);
  }
  made = { words, byLength };
  return made;
}

/** The word that was meant; null where it is one itself, or is like none. */
const meant = (word: string): string | null => remember(known, MOST_KNOWN, word, () => meantOf(word));

/** The words of one sentence are looked up several times over. */
const known = new Map<string, string | null>();
const MOST_KNOWN = 500;

function meantOf(word: string): string | null {
  const { words, byLength } = lexicon();
  if (word.length < LEAST_LETTERS || words.has(word)) return null;
  // A plural of a word is one.
  if (word.endsWith('s') && words.has(word.slice(0, -1))) return null;
  const most = word.length >= LONG ? 2 : 1;
  let best: { word: string; cost: number } | null = null;
  for (let length = word.length - most; length <= word.length + most; length++) {
    for (const other of byLength.get(length) ?? []) {
      // Of a short word only a letter is missing.
      if (word.length === LEAST_LETTERS && (other.length !== 4 || other[0] !== word[0])) continue;
      const { steps } = distance(word, other);
      if (steps > most) continue;
      // The first letter is seldom wrong, and a slip is likelier within a word.
      const cost =
        steps +
        (words.get(other) ?? 0) +
        (other[0] === word[0] ? 0 : 0.4) +
        (other.at(-1) === word.at(-1) ? 0 : 0.1) +
        (isOtherLetter(word, other) ? 0.05 : 0);
      if (!best || cost < best.cost) best = { word: other, cost };
    }
  }
  return best?.word ?? joined(word);
}

/** A wrong letter is rarer than two swapped. */
const isOtherLetter = (a: string, b: string): boolean => a.length === b.length && [...a].sort().join('') !== [...b].sort().join('');

/** Two words written as one. */
function joined(word: string): string | null {
  const { words } = lexicon();
  for (let at = 3; at <= word.length - 3; at++) {
    const [a, b] = [word.slice(0, at), word.slice(at)];
    if (words.has(a) && words.has(b)) return `${a} ${b}`;
  }
  return null;
}

/** A sentence with its slips put right; sizes and words that are ones stay as they are. */
export function putRight(text: string): string {
  const { words } = lexicon();
  const whole = text.replace(/[A-Za-z']{2,} [A-Za-z']{2,}/g, (two) => {
    const [a, b] = two.toLowerCase().split(' ') as [string, string];
    return !words.has(a) && !words.has(b) && words.has(a + b) ? a + b : two;
  });
  return whole.replace(/(?<![\w/])[A-Za-z']{3,}/g, (word) => meant(word.toLowerCase()) ?? word);
}
