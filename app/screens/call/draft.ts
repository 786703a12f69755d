/** A call as it is typed, and what it says in the book once it is booked. */
import type { PremisesBook } from '../../../record/index.ts';
import { type ApplianceRow, type DraftItem, newId, type Saying, saying, sayingsOfWork } from '../../ui/book/index.ts';

export interface Draft {
  /** Premises that are known; null for new ones, or while nothing is chosen. */
  premisesId: string | null;
  /** Of new premises. */
  name: string;
  phone: string;
  address: string;
  items: DraftItem[];
  /** As typed: 'tomorrow 10'. */
  when: string;
  note: string;
}

export const EMPTY: Draft = { premisesId: null, name: '', phone: '', address: '', items: [], when: '', note: '' };

/** A visit is called by what is done there. */
export function titleOf({ items, note }: Pick<Draft, 'items' | 'note'>): string {
  const names = [...new Set(items.map((i) => i.name))];
  if (names.length === 0) return note.trim().split('\n')[0]!.slice(0, 60).trim() || 'Look first';
  const shown = names.slice(0, 3).join(', ');
  return (names.length > 3 ? `${shown} and ${names.length - 3} more` : shown).slice(0, 200);
}

/**
 * What the book is told.
 *
 * @param book the premises that were chosen; null for new ones
 */
export function sayingsOf(
  draft: Draft,
  book: PremisesBook | null,
  { onDate, startsAt }: { onDate: string; startsAt: string },
  { timeZone, appliances }: { timeZone: string; appliances: ApplianceRow[] },
): { visitId: string; premisesId: string; all: Saying[] } {
  const premisesId = book?.premises.id ?? newId();
  const visitId = newId();
  const all: Saying[] = [];
  if (!book) all.push(saying('premises', premisesId, 'made', newPremises(draft, timeZone)));
  const { standing, onList } = sayingsOfWork(draft.items, { visitId, premisesId, book, appliances });
  all.push(...standing);
  const note = draft.note.trim();
  all.push(saying('visit', visitId, 'made', { premisesId, onDate, startsAt, title: titleOf(draft), ...(note ? { note } : {}) }));
  return { visitId, premisesId, all: [...all, ...onList] };
}

function newPremises({ name, phone, address }: Draft, timeZone: string): Saying['body'] {
  return {
    name: name.trim(),
    timeZone,
    ...(address.trim() ? { address: address.trim() } : {}),
    ...(phone.trim() ? { contact: { phone: phone.trim() } } : {}),
  };
}
