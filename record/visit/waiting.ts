/** What is still to be done somewhere, as days and weeks list it. */
import type { PremisesBook } from '../premises/book.ts';

export interface Waiting {
  id: string;
  text: string;
  dueOn: string | null;
  premisesId: string;
  premises: string;
}

/** Follow-ups of premises that are open, those due first before the others. */
export const waitingOf = ({ premises, followUps }: PremisesBook): Waiting[] =>
  followUps
    .filter((f) => f.closed === null)
    .map(({ id, text, dueOn }) => ({ id, text, dueOn, premisesId: premises.id, premises: premises.name }))
    .sort((a, b) => ((a.dueOn ?? '9') < (b.dueOn ?? '9') ? -1 : 1));
