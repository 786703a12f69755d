/** A sentence cut where a word sets one thing in relation to another. */
import { speaksOfAppliance } from '../ends/index.ts';
import { type Relation, relationAt } from './relations.ts';

export interface Segment {
  /** What stands before it; null at the beginning. */
  relation: Relation | null;
  text: string;
  /** Where it begins in the sentence, letters. */
  at: number;
}

const TOKEN = /[,;:?!]|->|=>|[→⇒>+&×]|[^\s,;:?!→⇒>+&×]+/g;
/** 'M10 x 1' is one size. */
const METRIC = /\bm ?\d+(?:\.\d+)?$/i;

const [HAS, ITS_END] = [/^(?:has|have|got)$/, /^(?:shanks?|tails?|inlets?|tailpieces?)$/];
/** How far behind it the end of an appliance is named, words. */
const NEAR = 5;

/** 'fridge with a 1/4 quick connect', 'the faucet has 1/2 ips shanks': an end of the appliance, and no other thing. */
const tellsItsEnd = (words: readonly string[], at: number, before: string): boolean =>
  speaksOfAppliance(before) && (words[at] === 'with' || (HAS.test(words[at]!) && words.slice(at, at + NEAR).some((word) => ITS_END.test(word))));

export function segmentsOf(text: string): Segment[] {
  const tokens = [...text.matchAll(TOKEN)].map((m) => ({ word: m[0], at: m.index }));
  const words = tokens.map((t) => t.word.toLowerCase().replace(/^[.'"(]+|[.')]+$/g, ''));
  const out: Segment[] = [];
  let [relation, begin]: [Relation | null, number] = [null, 0];
  const said = (from: number, end: number) => (from < end ? text.slice(tokens[from]!.at, tokens[end - 1]!.at + tokens[end - 1]!.word.length) : '');
  const close = (end: number) => {
    if (begin < end) out.push({ relation, text: said(begin, end), at: tokens[begin]!.at });
  };
  for (let i = 0; i < tokens.length; ) {
    const found = relationAt(words, i);
    const before = said(begin, i);
    if (found === null || (found.relation === 'by' && METRIC.test(before)) || tellsItsEnd(words, i, before)) {
      i++;
      continue;
    }
    close(i);
    // Of two relations in a row the nearer to what follows counts, but a new thought says nothing.
    const isFresh = begin < i || relation === null || found.relation !== 'stop';
    if (isFresh) relation = found.relation;
    i += found.count;
    begin = i;
  }
  close(tokens.length);
  return out;
}
