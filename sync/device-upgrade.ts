/** How a browser's store of an older program is brought up, and a new one made. */
import type { openDB } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import { type DeviceFacts, FACTS, type Outgoing, type Schema } from './device-schema.ts';

type Upgrade = NonNullable<NonNullable<Parameters<typeof openDB<Schema>>[2]>['upgrade']>;

/** Brings a store of an older program up, or makes a new one. What waits to be sent stays in any case. */
export async function upgrade(db: Parameters<Upgrade>[0], old: number, tx: Parameters<Upgrade>[3]): Promise<void> {
  if (old < 4) db.createObjectStore('pictures', { keyPath: 'id' }).createIndex('status', 'status');
  if (old >= 3) return;
  if (old < 2) await beginWithNumbers(db, tx);
  const books = db.createObjectStore('books', { keyPath: 'id' });
  books.createIndex('subject', 'subjectIds', { multiEntry: true });
  books.createIndex('day', 'days', { multiEntry: true });
  if (db.objectStoreNames.contains('visits')) db.deleteObjectStore('visits');
  const facts = (await tx.objectStore('facts').get(FACTS)) as DeviceFacts;
  // All is asked for anew, with the books.
  await tx.objectStore('facts').put({ deviceId: facts.deviceId, shop: 0, shopId: '', cursor: 0, kit: null } satisfies DeviceFacts, FACTS);
}

/** The first version kept entries by their ids, without numbers: they get theirs in the order in which they were made. */
async function beginWithNumbers(db: Parameters<Upgrade>[0], tx: Parameters<Upgrade>[3]): Promise<void> {
  const outgoing = db.createObjectStore('outgoing', { keyPath: 'seq', autoIncrement: true });
  outgoing.createIndex('id', 'entry.id', { unique: true });
  db.createObjectStore('known', { keyPath: 'id' }).createIndex('visit', 'visitId');
  const deviceId = uuidv7();
  const work: Promise<unknown>[] = [db.createObjectStore('facts').put({ deviceId }, FACTS)];
  if (db.objectStoreNames.contains('waiting')) {
    const before = await tx.objectStore('waiting').getAll();
    for (const { entry, refused } of before.sort((a, b) => (a.entry.id < b.entry.id ? -1 : 1))) {
      const status = refused === null ? { status: 'waiting' } : { status: 'refused', rule: 'refused', why: refused };
      work.push(outgoing.add({ entry: { ...entry, deviceId }, ...status } as Outgoing));
    }
    db.deleteObjectStore('waiting');
  }
  await Promise.all(work);
}
