/** How visits and what is still to be done are known. */
import type { WorkKindId } from '../../core/make/work-kinds.ts';
import type { Gathered } from './gathered.ts';

/** An end as it was told when the call was taken: never seen, and asked for again. */
export interface Told {
  side: 'from' | 'to' | 'rejoin';
  end: string;
}

/** A run on a visit's list. */
export interface VisitRun {
  runId: string;
  work: WorkKindId;
  told: Told[];
  /** The visit that signed it off, where it is here to be looked at again; else null. */
  recheckOf: string | null;
  /** Why it was taken off the list; null while it stands there. */
  removed: string | null;
}

/** One call at a premises. */
export interface Visit {
  id: string;
  premisesId: string;
  /** Local day and hour at the premises. */
  onDate: string;
  startsAt: string;
  /** As planned; null where nobody said: the kinds of work then tell. */
  minutes: number | null;
  title: string;
  note: string | null;
  /** The van that goes there; null: the shop's first. */
  vanId: string | null;
  /** Why it is cancelled; null while it stands. */
  cancelled: string | null;
  arrivedMs: number | null;
  leftMs: number | null;
  /** In their order. */
  runs: VisitRun[];
  /** Beside the work: pictures, notes, signatures. */
  gathered: Gathered;
}

/** Something still to be done at a premises, on a day or some day. */
export interface FollowUp {
  id: string;
  premisesId: string;
  runId: string | null;
  dueOn: string | null;
  text: string;
  /** What was done about it; null while it is open. */
  closed: { reason: string; visitId: string | null; atMs: number } | null;
}
