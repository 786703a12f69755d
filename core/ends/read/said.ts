/** What a person types, taken apart: numbers, callouts, and the trade's words in whatever order. */
import { readFraction, withoutGlyphs, writeFraction } from '../../units/index.ts';
import { type Phrase, tradePhrase } from './vocabulary.ts';

export interface Said {
  /** As codes write them: '3/8', '1/2', '1'. */
  sizes: string[];
  /** Thread callouts: '9/16-24' is a diameter and threads an inch. */
  callouts: { diameterIn: number; threadsPerIn: number; text: string }[];
  /** 'M10x1', 'M10': the size as codes write it. */
  metric: string | null;
  /** Metric tube: '15 mm'. */
  millimetres: number | null;
  phrases: Phrase[];
  /** Words that say nothing here. */
  unused: string[];
}

const NUMBER_WORDS: Record<string, string> = {
  half: '1/2', quarter: '1/4', 'one half': '1/2', 'one quarter': '1/4', 'a half': '1/2', 'a quarter': '1/4', 'three quarter': '3/4', 'three quarters': '3/4',
  'three eighth': '3/8', 'three eighths': '3/8', 'five eighth': '5/8', 'five eighths': '5/8', 'seven eighth': '7/8', 'seven eighths': '7/8', 'one eighth': '1/8',
  'three sixteenth': '3/16', 'three sixteenths': '3/16', 'five sixteenth': '5/16', 'five sixteenths': '5/16', 'seven sixteenth': '7/16', 'seven sixteenths': '7/16',
  'fifteen sixteenth': '15/16', 'fifteen sixteenths': '15/16', 'one inch': '1', eighth: '1/8',
}; // biome-ignore format: a table

const longest = (a: string, b: string) => b.length - a.length;
let made: RegExp | null = null;
const numberWords = (): RegExp => {
  made ??= new RegExp(`\\b(${Object.keys(NUMBER_WORDS).sort(longest).join('|')})\\b(?![- ]turn)`, 'g');
  return made;
};

/** Lower case, marks of inches and foreign signs taken to one spelling. */
function plainText(text: string): string {
  return withoutGlyphs(text.toLowerCase())
    .replace(/[″”“"]/g, ' ')
    .replace(/[’‘`]/g, "'")
    .replace(/\b1\/4[ -]turn\b/g, 'quarter turn')
    .replace(/(\d)\s*(?:ths|th|nds)\b/g, '$1')
    .replace(/\b(three|five|seven|one|fifteen)[- ](quarters?|eighths?|sixteenths?|half)\b/g, '$1 $2')
    .replace(numberWords(), (words) => ` ${NUMBER_WORDS[words]} `);
}

const CALLOUT = /(?:^|\s)(\d+(?:\s+\d+\/\d+|\/\d+)?|\d*\.\d+)\s*[-x]\s*(\d{2}(?:\.\d+)?(?:\s+1\/2)?)(?=\s|$|[a-z])/g;
const METRIC = /\bm\s*(\d+(?:\.\d+)?)(?:\s*x\s*(\d+(?:\.\d+)?))?(?![a-z\d])/;
const METRIC_SIZES = ['8x1', '10x1', '22x1', '24x1', '18.5x1'];

/** 'M10', 'm10x1.0': the size of the tables; null for none of them. */
function metricSize(diameter: string, pitch: string | undefined): string | null {
  const size = `${Number(diameter)}x${pitch === undefined ? 1 : Number(pitch)}`;
  return METRIC_SIZES.includes(size) ? size : null;
}

export function takeApart(text: string): Said {
  const out: Said = { sizes: [], callouts: [], metric: null, millimetres: null, phrases: [], unused: [] };
  let rest = ` ${plainText(text)} `;
  rest = rest.replace(METRIC, (whole, diameter: string, pitch?: string) => {
    const size = metricSize(diameter, pitch);
    if (size === null) return whole;
    out.metric = size;
    return ' ';
  });
  rest = rest.replace(/(\d+(?:\.\d+)?)\s*mm\b/g, (_, n: string) => {
    out.millimetres = Number(n);
    return ' ';
  });
  rest = rest.replace(CALLOUT, (whole, size: string, threads: string) => {
    const diameterIn = readFraction(size);
    const threadsPerIn = readFraction(threads);
    // No pipe or hose has fewer than 11 threads an inch, or more than 28: '1/2-3/8' and '1-12' are no callouts.
    if (diameterIn === null || threadsPerIn === null || threadsPerIn < 11 || threadsPerIn > 28) return whole;
    out.callouts.push({ diameterIn, threadsPerIn, text: whole.trim() });
    return ' ';
  });
  rest = rest.replace(/(\d)-(\d+\/\d+)/g, '$1 $2').replace(/(\d)(?=[a-z])/g, '$1 ');
  rest = rest.replace(/\bg(?=\d)/g, 'g ');
  rest = rest.replace(/(?<![\d/.])(\d+)\s+(\d+\/\d+)(?!\d)/g, (_, whole: string, part: string) => ` ${whole}_${part} `);
  for (const word of words(rest)) sort(out, word);
  return out;
}

/** Words and phrases, the longest phrase first. */
function words(text: string): (Phrase | string)[] {
  const tokens = text
    .split(/[\s,;:()]+/)
    .map((t) => t.replace(/^(?:[-']|\.(?!\d))+|[-.'?!]+$/g, ''))
    .filter((t) => t !== '');
  const out: (Phrase | string)[] = [];
  for (let i = 0; i < tokens.length; ) {
    let taken = 0;
    for (let n = Math.min(4, tokens.length - i); n >= 1 && taken === 0; n--) {
      const phrase = tradePhrase(tokens.slice(i, i + n).join(' '));
      if (!phrase) continue;
      out.push(phrase);
      taken = n;
    }
    if (taken === 0) out.push(tokens[i]!);
    i += Math.max(1, taken);
  }
  return out;
}

const SIZE = /^\d+(?:\/\d+)?$|^\d*\.\d+$|^\d+_\d+\/\d+$/;

function sort(out: Said, word: Phrase | string): void {
  if (typeof word !== 'string') return void out.phrases.push(word);
  if (SIZE.test(word)) {
    const inches = readFraction(word.replace('_', ' '));
    const size = inches === null ? null : asSize(inches);
    if (size !== null) return void out.sizes.push(size);
  }
  out.unused.push(word);
}

/** A size in 64ths as codes write it: '3/8', '1', '55/64'. */
function asSize(inches: number): string | null {
  const in64ths = inches * 64;
  if (inches <= 0 || inches > 4 || Math.abs(in64ths - Math.round(in64ths)) > 0.02) return null;
  return writeFraction(Math.round(in64ths) / 64, 64);
}
