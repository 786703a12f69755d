/** A sentence in one spelling: one space, fractions by figures, lengths that are said in words. */
import { withoutGlyphs } from '../units/index.ts';

const COUNTED: Record<string, string> = {
  one: '1', two: '2', three: '3', four: '4', five: '5', six: '6', seven: '7', eight: '8', nine: '9', ten: '10', twelve: '12', fifteen: '15', sixteen: '16',
  eighteen: '18', twenty: '20', 'twenty four': '24', thirty: '30', 'thirty six': '36', forty: '40', 'forty eight': '48', fifty: '50', sixty: '60',
}; // biome-ignore format: a table

const longestFirst = (words: string[]) => words.sort((a, b) => b.length - a.length).join('|');
/** "six feet", "twenty inches"; "one half" and "three eighths" are sizes. */
const COUNTED_LENGTH = new RegExp(`\\b(${longestFirst(Object.keys(COUNTED))})[ -](?=(?:feet|foot|ft|inch|inches|in)\\b)`, 'gi');

const LENGTHS: [says: RegExp, as: string | ((whole: string, ...parts: string[]) => string)][] = [
  [/(?<![\d/])(\d+)[ -](\d)\/(\d) ?-?(?:feet|foot|ft)\b/gi, (_, whole, top, bottom) => `${(Number(whole) + Number(top) / Number(bottom)) * 12} in`],
  [/\ba (?:foot|ft) and a half\b/gi, '18 in'],
  [/\b(\d+) and a half (?:feet|foot|ft)\b/gi, (_, whole) => `${(Number(whole) + 0.5) * 12} in`],
  [/\bhalf a foot\b/gi, '6 in'],
  [/\ba (?:couple(?: of)?) (?:feet|foot|ft)\b/gi, '24 in'],
  [/\ba foot\b/gi, '12 in'],
  [/\ba yard\b/gi, '36 in'],
]; // biome-ignore format: a table

/** '1/2 fip both ends': a connector with the same nut twice. */
const BOTH_ENDS = /(\d\/\d+"?\s+[a-z]+)\s+(?:on |at )?both (?:ends|sides)\b/gi;

/** 'the stops are 3/8 comp', 'pipe is 1/2 galv': the thing behind its size. */
const THING_IS =
  /\b((?:angle )?stops?|shut ?-?offs?(?: valves?)?|valves?|pipes?|stub(?:[- ]?out)?s?|outlets?|inlets?|shanks?|tails?|threads?)\s+(?:is|are)\s+(?:an?\s+)?((?:(?:\d+\s+)?\d+\/\d+|\d+|half|quarter|three[- ]eighths?|three[- ]quarters?|[mg]\d)[\w/.-]*"?(?:[ -]inch|\s+in\b)?(?:\s+(?!and\b|to\b|for\b|from\b|with\b|need\b|what\b|i\b)[\w/-]+){0,2})(?=\s*(?:[,.;?!]|$)|\s+(?:and|to|for|from|with|need|what|i)\b)/gi;

/** Where it is under tells no end. */
const PLACE = /\b(?:from )?(?:under|below|beneath|behind) (?:the |my |a )?(?:kitchen |bathroom )?(?:sink|basin|vanity|counter|cabinet|lav)\b/gi;

export function tidied(text: string): string {
  let out = withoutGlyphs(text).replace(/\s+/g, ' ').trim();
  for (const [says, as] of LENGTHS) out = out.replace(says, as as string);
  out = out.replace(COUNTED_LENGTH, (_, word: string) => `${COUNTED[word.toLowerCase()]} `);
  out = out.replace(BOTH_ENDS, '$1 x $1').replace(THING_IS, '$2 $1').replace(PLACE, ' ');
  // '3/8x1/2', '3/8"x1/2"'
  return out.replace(/(?<=\d\/\d{1,2}"?)x(?=\d)/gi, ' x ');
}
