/** The book as it stands, as far as the rules of its entries ask. */
import type { SubjectKind, SubjectRef } from './entry.ts';
import type { States } from './states.ts';

export interface BookNow {
  /** A subject as it stands; null where there is none, or where it was taken back. */
  get: <K extends SubjectKind>(kind: K, id: string) => States[K] | null;
  /** What hangs on a subject and would be left in the air without it, in words: 'two places'; null where nothing does. */
  hangsOn: (ref: SubjectRef) => string | null;
  /** Whether a chain is accepted for a run in a visit. */
  hasChain: (visitId: string, runId: string) => boolean;
  /** Whether anything is recorded on a run in a visit. */
  hasRecord: (visitId: string, runId: string) => boolean;
}
