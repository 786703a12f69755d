/** Whether an entry of the book may be taken: what every change must obey, then the change's own rule on the book as it stands. */

import { isNamed, WITHDRAWN } from '../effective.ts';
import type { Refusal } from '../kind.ts';
import { type BookEntry, isOfShop } from './entry.ts';
import type { BookNow } from './now.ts';
import type { AnyState } from './states.ts';
import type { Change, ToldChange } from './subject.ts';
import { subjectOf } from './subjects.ts';

/**
 * @param underId all that was said under the subject's id until now
 * @returns why the entry is not taken; null when it is
 */
export function bookRefusal(entry: BookEntry, underId: readonly BookEntry[], book: BookNow): Refusal | null {
  const { kind, id } = entry.subject;
  const subject = subjectOf(kind);
  const entries = underId.filter((e) => e.subject.kind === kind);
  const other = underId.find((e) => e.subject.kind !== kind && !(isOfShop(kind) && isOfShop(e.subject.kind)));
  if (other) return { rule: 'other-subject', why: `That id is of a ${subjectOf(other.subject.kind).called}.` };
  if (entry.change === WITHDRAWN) return withdrawalRefusal(entry, entries, book);
  const change = subject.changes[entry.change] as unknown as Change<unknown, AnyState> | undefined;
  if (!change) return { rule: 'unknown-change', why: `There is no "${entry.change}" of a ${subject.called}.` };
  if (entry.correctsId !== null) {
    const wrong = correctionRefusal(entry, entries, change);
    if (wrong) return wrong;
  }
  const now = book.get(kind, id) as AnyState | null;
  const makes = entry.change === subject.making;
  if (makes && entry.correctsId === null && entries.some((e) => e.change === subject.making)) {
    return {
      rule: 'made-already',
      why: `A ${subject.called} of this id was made already${now ? '' : ', and taken back: put it back, or make another'}.`,
    };
  }
  if (!makes && subject.making !== null && !now) {
    return { rule: `unknown-${kind}`, why: `There is no such ${subject.called} in this shop.` };
  }
  for (const named of change.names?.(entry.body) ?? []) {
    if (book.get(named.kind, named.id)) continue;
    return { rule: `unknown-${named.kind}`, why: `body.${named.at}: there is no such ${subjectOf(named.kind).called} in this shop.` };
  }
  return change.holds?.(entry as ToldChange<unknown>, now, book) ?? null;
}

/** Fields that tie a subject to another: a correction may not tie it anew. */
const TIES = ['premisesId', 'applianceId'];

function correctionRefusal(entry: BookEntry, entries: readonly BookEntry[], change: Change<unknown, AnyState>): Refusal | null {
  const wrong = entries.find((e) => e.id === entry.correctsId);
  const refusal = namedRefusal(wrong, entries);
  if (refusal || !wrong) return refusal;
  if (wrong.change !== entry.change) return { rule: 'other-kind', why: 'A correction says the same kind of thing as what it corrects.' };
  if (change.isFinal) return FINAL;
  const moved = TIES.find((field) => wrong.body[field] !== entry.body[field]);
  return moved
    ? { rule: 'other-owner', why: `body.${moved}: a correction leaves it where it belongs. Take it back, and make another in the right place.` }
    : null;
}

const FINAL: Refusal = { rule: 'final', why: 'What was erased is gone for good: it can be neither corrected nor taken back.' };

function namedRefusal(wrong: BookEntry | undefined, entries: readonly BookEntry[]): Refusal | null {
  if (!wrong) return { rule: 'unknown-entry', why: 'What this entry names was not kept on this subject.' };
  if (isNamed(entries, wrong.id)) return { rule: 'corrected-already', why: 'That entry was corrected or taken back already. Name the newer one.' };
  return null;
}

function withdrawalRefusal(entry: BookEntry, entries: readonly BookEntry[], book: BookNow): Refusal | null {
  if (entry.correctsId === null) return { rule: 'takes-back-nothing', why: 'Say which entry is taken back: its id in correctsId.' };
  const wrong = entries.find((e) => e.id === entry.correctsId);
  const refusal = namedRefusal(wrong, entries);
  if (refusal || !wrong) return refusal;
  const subject = subjectOf(entry.subject.kind);
  if (subject.changes[wrong.change]?.isFinal) return FINAL;
  if (wrong.change === subject.making) {
    const hanging = book.hangsOn(entry.subject);
    return hanging ? { rule: 'in-use', why: `It has ${hanging}: take those back first, or retire it, and it stays in history.` } : null;
  }
  if (wrong.change === 'run-added') {
    const { runId } = wrong.body as { runId: string };
    const isOnly = entries.filter((e) => e.change === 'run-added' && (e.body as { runId: string }).runId === runId).length === 1;
    if (isOnly && book.hasRecord(entry.subject.id, runId)) {
      return { rule: 'in-use', why: 'Something is recorded on this run: take it off the list, and what was recorded stays.' };
    }
  }
  return null;
}
