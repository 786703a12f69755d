import type { Bodies, Entry, EntryKind } from '../kinds.ts';

/** An entry of the run of the tests, written by one device at its minute. */
export function toEntry<K extends EntryKind>(kind: K, body: Bodies[K], minute: number): Entry {
  const at = new Date(Date.UTC(2026, 2, 10, 9, minute)).toISOString();
  const ids = { visitId: 'visit', runId: 'run', jointId: null, checkPointId: null, correctsId: null, deviceId: 'phone' };
  return { id: `${kind} ${minute}`, ...ids, seenAt: at, sentAt: at, recordedAt: at, kind, body } as Entry;
}
