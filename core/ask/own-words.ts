/** A shop's own words: what it calls a thing, and what that is in words that are read. */

/** 'b nut' -> '1/2 fip swivel nut' */
export type OwnWords = Readonly<Record<string, string>>;

/** Longest word that is kept, and longest meaning, letters. */
export const MOST_OWN_LETTERS = { word: 40, means: 120 };

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\s+/g, '\\s+');

/** A sentence with a shop's own words said as they are meant; what was put in is not looked through again. */
export function inTradeWords(text: string, words: OwnWords): string {
  const all = Object.keys(words).sort((a, b) => b.length - a.length);
  if (all.length === 0) return text;
  const any = new RegExp(`(?<![\\w/])(?:${all.map(escaped).join('|')})(?![\\w/])`, 'gi');
  const meant = new Map(Object.entries(words).map(([word, means]) => [word.toLowerCase(), means]));
  return text.replace(any, (said) => meant.get(said.toLowerCase().replace(/\s+/g, ' ')) ?? said);
}
