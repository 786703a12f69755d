/** What a shop looks after, as it is made and changed: entries of the book, beside those of runs, on the same way in. */
import type { Stamped } from '../entry.ts';

export const SUBJECTS = ['premises', 'place', 'appliance', 'run', 'visit', 'follow-up', 'stock', 'shop', 'rules', 'part'] as const;

/** Said of the shop as a whole, under its id: the shop itself and its house rules. */
export const isOfShop = (kind: SubjectKind): boolean => kind === 'shop' || kind === 'rules';

export type SubjectKind = (typeof SUBJECTS)[number];

export interface SubjectRef {
  kind: SubjectKind;
  id: string;
}

/** One change of one subject. A correction is the same change said anew; a withdrawal takes back what it names. */
export interface BookEntry extends Stamped {
  subject: SubjectRef;
  change: string;
  body: Record<string, unknown>;
  /** Keyed digest of what it said, where a contact was erased from it; given by the server. */
  erased?: string;
}

/** An entry of the book, not of a run. */
export const isBookEntry = (entry: object): entry is BookEntry => 'subject' in entry;
