import { v7 as uuidv7 } from 'uuid';
import type { Bodies, BookEntry, Entry, EntryKind, SubjectKind } from '../record/index.ts';

export interface Target {
  jointId?: string;
  checkPointId?: string;
  correctsId?: string;
}

/** An entry made now, on this device; its place in the device's count is given when it is kept. */
export function newEntry<K extends EntryKind>(
  where: { deviceId: string; visitId: string; runId: string },
  kind: K,
  body: Bodies[K],
  target: Target = {},
): Entry {
  return {
    id: uuidv7(),
    visitId: where.visitId,
    runId: where.runId,
    jointId: target.jointId ?? null,
    checkPointId: target.checkPointId ?? null,
    correctsId: target.correctsId ?? null,
    deviceId: where.deviceId,
    personId: null,
    seenAt: new Date().toISOString(),
    sentAt: null,
    recordedAt: null,
    kind,
    body,
  } as Entry;
}

/** An entry of the book made now, on this device. */
export function newBookEntry(
  deviceId: string,
  subject: { kind: SubjectKind; id: string },
  change: string,
  body: BookEntry['body'],
  correctsId: string | null = null,
): BookEntry {
  return {
    id: uuidv7(),
    deviceId,
    personId: null,
    seenAt: new Date().toISOString(),
    sentAt: null,
    recordedAt: null,
    correctsId,
    subject,
    change,
    body,
  };
}
