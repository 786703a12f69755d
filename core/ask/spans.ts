/** What each word of a sentence was taken for, where it stands as typed. */
import { type Phrase, tradePhrase } from '../ends/index.ts';
import { FILLER } from './filler.ts';
import { bare } from './pieces.ts';
import { relationAt } from './relations.ts';
import { putRight } from './slips.ts';

export type SpanKind =
  | 'size'
  | 'family'
  | 'gender'
  | 'material'
  | 'tube'
  | 'appliance'
  | 'part'
  | 'count'
  | 'length'
  | 'place'
  | 'relation'
  | 'wish'
  | 'filler'
  | 'unknown';

export interface WordSpan {
  /** Where it begins in the sentence as typed, and how long it is, letters. */
  at: number;
  length: number;
  as: SpanKind;
}

const TOKEN = /[^\s,;:?!]+/g;
const LENGTH = /^\d+(?:\.\d+)?(?:'|(?:ft|feet|foot|in|inch|inches|cm|mm|m)\b).*$|^(?:feet|foot|ft|inch|inches)$/;
const SIZE = /^(?:[gm]?\d+(?:\/\d+|\.\d+)?(?:x\d+(?:\.\d+)?)?"?|half|quarter|eighths?|½|¼|¾|⅛|⅜|⅝|⅞)$/;
const COUNT = /^(?:one|two|three|four|pair|set|both|couple)$/;
const PLACE =
  /^(?:under|behind|below|beside|above|inside|wall|floor|ceiling|cabinet|counter|basement|garage|upstairs|downstairs|kitchen|bathroom|laundry)$/;
const TUBES: readonly string[] = ['cu', 'pex', 'cpvc', 'pe', 'pb', 'steel', 'cts', 'tube', 'lead'];
const LOOK = /^(?:braided|stainless|rubber|vinyl|corrugated|flex|flexible|rigid)$/;
const VALVE = /^(?:quarter|multi)[- ]turn$/;
const PARTS: readonly string[] = ['hose', 'stop', 'riser', 'nipple', 'tap tail'];
const MOST_WORDS = 4;

function kindOfPhrase({ names, appliance, gender, material, nut, side, swivel, by }: Phrase): SpanKind {
  if (appliance) return 'appliance';
  if (names) return TUBES.includes(names) ? 'tube' : PARTS.includes(names) ? 'part' : 'family';
  if (gender) return 'gender';
  if (material) return 'material';
  if (nut || side || swivel) return 'part';
  return by ? 'size' : 'filler';
}

/**
 * Every word of a sentence, in order, with what it was taken for.
 *
 * @param unread words that were not used, as they were put right
 */
export function spansOf(typed: string, unread: readonly string[]): WordSpan[] {
  const left = new Set(unread.flatMap((word) => word.toLowerCase().split(/\s+/)));
  const tokens = [...typed.matchAll(TOKEN)].map((m) => ({ at: m.index, word: m[0], plain: bare(putRight(m[0])) }));
  const isLeft = ({ word, plain }: (typeof tokens)[number]) => left.has(bare(word)) || plain.split(' ').some((part) => left.has(part));
  const out: WordSpan[] = [];
  for (let i = 0; i < tokens.length; ) {
    const many = isLeft(tokens[i]!) ? 1 : phraseAt(tokens.slice(i, i + MOST_WORDS).map((t) => t.plain));
    const [first, last] = [tokens[i]!, tokens[i + many - 1]!];
    const as = isLeft(first)
      ? 'unknown'
      : kindOf(
          tokens.slice(i, i + many).map((t) => t.plain),
          typed.slice(last.at + last.word.length),
        );
    out.push({ at: first.at, length: last.at + last.word.length - first.at, as });
    i += many;
  }
  return out;
}

/** How many words one phrase of the trade takes here, at least one. */
function phraseAt(words: readonly string[]): number {
  for (let many = words.length; many > 1; many--) if (tradePhrase(words.slice(0, many).join(' '))) return many;
  return 1;
}

function kindOf(words: readonly string[], after: string): SpanKind {
  const text = words.join(' ');
  if (LENGTH.test(text) || (/^\d+(?:\.\d+)?$/.test(text) && /^\s*(?:feet|foot|ft|inch|inches|in)\b/i.test(after))) return 'length';
  if (SIZE.test(text)) return 'size';
  if (LOOK.test(text)) return 'material';
  if (VALVE.test(text)) return 'part';
  const phrase = tradePhrase(text);
  const kind = phrase ? kindOfPhrase(phrase) : 'filler';
  if (kind !== 'filler') return kind;
  if (COUNT.test(text)) return 'count';
  if (PLACE.test(text)) return 'place';
  if (relationAt(words, 0)) return 'relation';
  return phrase || FILLER.has(text) ? 'filler' : 'wish';
}
