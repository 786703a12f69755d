/** What is derived, on its way into the tables. */
import type { ReadRun, States, SubjectKind } from '../../record/index.ts';
import type { PlacedBookEntry, PlacedEntry } from '../rows/index.ts';

/** A subject of the book. */
export interface Derived<K extends SubjectKind> {
  id: string;
  state: States[K] | null;
  entries: PlacedBookEntry[];
  upTo: number;
}

/** A run in a visit, with all that is recorded on it. */
export interface DerivedRun {
  visitId: string;
  read: ReadRun;
  entries: PlacedEntry[];
  upTo: number;
}

/** Something that a run took. */
export interface UseRow {
  visit_id: string;
  run_id: string;
  entry_id: string;
  item: string;
  quantity: number;
  van_id: string | null;
  used_at: Date;
  device_id: string;
  seq: number | null;
  position: number;
}
