/** What was said of the book, in words: one telling for every screen, file and print. */

import { resolved, WITHDRAWN } from '../effective.ts';
import { happenedAt } from '../entry.ts';
import { type Happening, happeningsOf } from '../happening.ts';
import { reasonWords } from '../reasons.ts';
import type { BookEntry } from './entry.ts';
import type { BookWords } from './subject.ts';
import { subjectOf } from './subjects.ts';

/** An entry in words, without the name of what it is of. */
export function tellBook(entry: BookEntry, words: BookWords): string {
  if (entry.change === WITHDRAWN) return `taken back: ${reasonWords((entry.body as { reason?: string }).reason ?? '')}`;
  const change = subjectOf(entry.subject.kind).changes[entry.change];
  const said = change?.says(entry.body as never, words) ?? `something that this program does not know (${entry.change})`;
  return entry.erased ? `${said} (its contact was erased)` : said;
}

/** Words where nothing is known of what an entry names. */
export const NO_WORDS: BookWords = {
  subject: ({ kind }) => `a ${subjectOf(kind).called} that this device does not hold`,
  item: (id) => id,
  amount: (item, quantity, isBare) => (isBare ? String(quantity) : `${quantity} x ${item}`),
};

/** What was said of subjects of the book, in order, each with what became of it; with the name of what it is of. */
export function bookHappenings(entries: readonly BookEntry[], words: BookWords): Happening[] {
  return happeningsOf(resolved(entries), (entry) => ({
    id: entry.id,
    atMs: happenedAt(entry),
    who: words.subject(entry.subject),
    what: tellBook(entry, words),
    kind: `${entry.subject.kind} ${entry.change}`,
    clockOffMin: 0,
  }));
}
