/** A browser's store that an older program left, with what waited in it. */
import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import { gunzipSync } from 'node:zlib';
import { openDB } from 'idb';
import { isBookEntry } from '../record/book/entry.ts';
import { readSentBook } from '../record/book/shape.ts';
import { readSent } from '../record/shape.ts';
import { DeviceStore } from './device.ts';
import { push } from './push.ts';
import { pushPictures } from './push-pictures.ts';

const FOLDER = join('store', 'fixtures', 'migration-10');
const ids = JSON.parse(readFileSync(join(FOLDER, 'ids.json'), 'utf8'));

interface Index {
  name: string;
  keyPath: string;
  unique: boolean;
  multiEntry: boolean;
}
interface Left {
  name: string;
  version: number;
  stores: Record<
    string,
    { keyPath: string | null; autoIncrement: boolean; indexes: Index[]; keys: IDBValidKey[]; values: Record<string, unknown>[] }
  >;
}

/** Puts the store back as it was. */
async function restore({ name, version, stores }: Left): Promise<void> {
  const db = await openDB(name, version, {
    upgrade: (opened) => {
      for (const [store, { keyPath, autoIncrement, indexes }] of Object.entries(stores)) {
        const made = opened.createObjectStore(store, { ...(keyPath === null ? {} : { keyPath }), autoIncrement });
        for (const { name: of, keyPath: path, unique, multiEntry } of indexes) made.createIndex(of, path, { unique, multiEntry });
      }
    },
  });
  for (const [store, { keyPath, keys, values }] of Object.entries(stores)) {
    for (const [i, value] of values.entries()) await db.put(store, withBytes(value), keyPath === null ? keys[i] : undefined);
  }
  db.close();
}

function withBytes(value: Record<string, unknown>): unknown {
  const packed = (value?.content as { base64?: string } | null)?.base64;
  return packed === undefined ? value : { ...value, content: new Uint8Array(Buffer.from(packed, 'base64')).buffer };
}

describe('a store of before', () => {
  it('opens, shows what waits, and sends it as this program reads it', async () => {
    await restore(JSON.parse(gunzipSync(readFileSync(join(FOLDER, 'device.json.gz'))).toString('utf8')) as Left);
    const store = await DeviceStore.open();
    assert.deepEqual(await store.counts(), { waiting: 4, refused: ['This run is signed off, and only read until it is reopened with a reason.'] });
    const sheet = await store.visit(ids.visit);
    assert.equal(sheet!.visit.note, 'Bring a lamp');
    const accepted = sheet!.entries.find((e) => e.kind === 'chain-accepted')!;
    assert.ok(accepted.body.chain.joints.every((j) => j.mating.because.every((r) => r.text.length > 0)));
    const sent: object[] = [];
    const state = await push(
      store,
      async (body, door) => {
        const entries = JSON.parse(body).entries as { id: string }[];
        for (const raw of entries) {
          const read = door === 'book' ? readSentBook(raw) : readSent(raw);
          assert.ok(read.ok, JSON.stringify(read));
          assert.equal(isBookEntry(read.entry), door === 'book');
          sent.push(read.entry);
        }
        return { status: 200, text: JSON.stringify({ results: entries.map((e) => ({ id: e.id, status: 'kept', recordedAt: ids.at })) }) };
      },
      () => new Date(ids.at),
    );
    assert.deepEqual([state.state, sent.length, (await store.counts()).waiting], ['all sent', 4, 0]);
    const pictures = await pushPictures(store.pictures, async (_, at, size, content) => {
      assert.equal(at + content.byteLength, size);
      return { status: 200, text: JSON.stringify({ have: size, isWhole: true }) };
    });
    assert.equal(pictures.state, 'all sent');
    store.close();
  });
});
