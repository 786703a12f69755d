/** How visits and what is still to be done are known. */
import type { WorkKindId } from '../../core/index.ts';
import type { PictureType } from '../picture/strip.ts';

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

/** A picture by its content. */
interface PictureFacts {
  /** Its SHA-256. */
  picture: string;
  type: PictureType;
  /** Pixels, as it is held. */
  width: number;
  height: number;
}

/** By which entry something was said, and when. */
interface SaidBy {
  entryId: string;
  atMs: number;
}

/** `runId`: the run that it shows; null: the visit as a whole. `shows`: what of the run, or the id of a joint. */
export type VisitPicture = PictureFacts & SaidBy & { runId: string | null; shows?: string; text: string | null };
export type VisitNote = SaidBy & { text: string; runId: string | null };
export type Signature = PictureFacts & SaidBy & { name: string };

/** What is gathered on a visit beside the work. */
export interface Gathered {
  pictures: VisitPicture[];
  notes: VisitNote[];
  signatures: Signature[];
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
