/** Saying something in the book: kept on this device at once, shown by every screen that reads it, and taken back with one press. */
import { v7 as uuidv7 } from 'uuid';
import type { BookEntry, SubjectKind, SubjectRef } from '../../../record/index.ts';
import { newBookEntry } from '../../../sync/entry.ts';
import { sync } from '../../../sync/run.ts';
import { noteNewPress } from '../held/index.ts';

export interface Saying {
  subject: SubjectRef;
  change: string;
  body: BookEntry['body'];
  correctsId?: string;
}

export const saying = (kind: SubjectKind, id: string, change: string, body: BookEntry['body'] = {}, correctsId?: string): Saying => ({
  subject: { kind, id },
  change,
  body,
  correctsId,
});

/** A subject that is made now. */
export const newId = (): string => uuidv7();

/**
 * Keeps what was said, all of it one press.
 *
 * @param words what the press did, for its way back; null where there is none
 * @returns whether it was kept; that it was not is said on the strip
 */
export async function say(all: Saying[], words: string | null, isBack = false): Promise<boolean> {
  try {
    const kept = await sync.keep((deviceId) => all.map((s) => newBookEntry(deviceId, s.subject, s.change, s.body, s.correctsId ?? null)));
    if (words !== null) noteNewPress({ entries: kept.map((o, i) => ({ id: o.entry.id, subject: all[i]!.subject })), words, isBack, isWhole: true });
    return true;
  } catch {
    return false;
  }
}
