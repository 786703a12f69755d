/** How a subject of the book is declared: everything the program knows of it and of its changes stands in one place. */
import type * as z from 'zod/mini';
import type { Refusal } from '../kind.ts';
import type { BookEntry, SubjectKind, SubjectRef } from './entry.ts';
import type { BookNow } from './now.ts';

/** An entry of a change that the reader knows. */
export type ToldChange<B> = Omit<BookEntry, 'body'> & { body: B };

/** Another subject that a body names, and in which field. */
export interface Named extends SubjectRef {
  at: string;
}

export interface Change<B, S> {
  /** What a device or a file may say; checked once at the border, trusted inside. */
  shape: z.ZodMiniType<B>;
  /** Subjects that the body names: each must be on record. */
  names?: (body: B) => Named[];
  /** What must hold beside that; null when it does. `now` is the subject as it stands, null where it is made by this. */
  holds?: (entry: ToldChange<B>, now: S | null, book: BookNow) => Refusal | null;
  /** The subject after it; not called for what makes it. Left out where fields are set: they stand as they were said. */
  apply?: (now: S, body: B, entry: ToldChange<B>) => S;
  /** Fields of the subject that it sets: the last who sets one is right, and two who did not know of each other are both shown. */
  sets?: (body: B) => object;
  /** It can be neither corrected nor taken back. */
  isFinal?: boolean;
  /** What happened, in plain words. */
  says: (body: B, words: BookWords) => string;
}

export interface Subject<Name extends SubjectKind, S extends { id: string }> {
  name: Name;
  /** As people call one of it: 'visit', 'appliance'. */
  called: string;
  /** The change that makes one; null for what is there from the beginning. */
  making: string | null;
  /** How it stands when it was made. */
  begins: (id: string, body: never) => S;
  changes: Record<string, Change<never, S>>;
  /** Its name, as lists and sentences give it. */
  nameOf: (now: S) => string;
  /** The subject it belongs to and travels with: premises for all that stands or happens there. Left out: itself. */
  belongsTo?: (now: S) => SubjectRef;
}

/** Words for what an entry of the book names. */
export interface BookWords {
  /** Name of a subject; 'a place that is not on record' where there is none. */
  subject: (ref: SubjectRef) => string;
  /** Name of a part or loose piece, by its id or code. */
  item: (id: string) => string;
  /** So much of an item, with its name: '3 x Elbow', '25 ft of PE tube'; `isBare` leaves the name out. */
  amount: (item: string, quantity: number, isBare?: boolean) => string;
}

/** For a change whose whole body is fields of its subject. */
export const itsFields = <B extends object>(body: B): object => body;

/** Declares a change; the body's type follows from its shape. */
export const change =
  <S>() =>
  <B>(declared: Change<B, S>): Change<never, S> =>
    declared as unknown as Change<never, S>;
