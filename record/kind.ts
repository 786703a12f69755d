/** What a kind of entry is: everything the program knows of it stands in one declaration. */
import type * as z from 'zod/mini';
import type { EntryBase } from './entry.ts';
import type { RunNow, Words } from './run/now.ts';

/** Why an entry is not taken, worded for the one who entered it. */
export interface Refusal {
  /** Stable id, for a screen or a script. */
  rule: string;
  why: string;
}

/** An entry of a kind that the reader knows. */
export interface Told<B> extends EntryBase {
  kind: string;
  body: B;
}

export interface Kind<Name extends string, B> {
  name: Name;
  /** What a device or a file may say; checked once at the border, trusted inside. */
  shape: z.ZodMiniType<B>;
  /** Brings what an older program wrote to the present shape; leaves alone what has it. Called before the shape is checked, and on reading. */
  upcast?: (body: unknown) => unknown;
  /** What of a body is kept: words that follow from its figures are left out, and made again by `upcast`. */
  kept?: (body: B) => unknown;
  /**
   * Which of them count: the last, the last of each `of`, all in their order, or what was said last of each field, so that two who look at the
   * same thing at once and say different things of it keep both. There null says: not known any more.
   */
  counts: 'last' | 'all' | 'by field' | { lastOf: (body: B) => string };
  /** What it is about: the run, or one of its joints or check points. */
  about: 'run' | 'joint' | 'joint or check point' | 'anything';
  /** Whether it is taken though the run is signed off; left out: it is not, the run is reopened first. */
  onSigned?: (entry: Told<B>, run: RunNow) => boolean;
  /** The entry this one follows from: the look it ends, the acceptance it takes the place of. */
  follows?: (body: B) => string | null;
  /** Joints that come into being with it. */
  brings?: (body: B) => string[];
  /** What must hold on the run as it stands before it is taken; null when it does. */
  holds: (entry: Told<B>, run: RunNow) => Refusal | null;
  /** A corrected body, brought in step with itself: what follows from the fields that were changed. Left out: nothing follows. */
  agreed?: (body: B, before: B) => unknown;
  /** What happened, in plain words, without the joint's name and the time. */
  describe: (body: B, words: Words) => string;
}

/** Declares a kind; the body's type follows from its shape. */
export const kind = <Name extends string, B>(declared: Kind<Name, B>): Kind<Name, B> => declared;

/** For kinds that hold on any run. */
export const always = (): Refusal | null => null;
