import '../../testing.ts';
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { BookEntry, Entry, PremisesBook } from '../../../record/index.ts';
import { anew, inWords, nameIn, whatOf } from './unsent-words.ts';

const head = { id: 'e', deviceId: 'phone', seenAt: '2026-05-20T09:00:00.000Z', sentAt: null, recordedAt: null, correctsId: null };
const note = {
  ...head,
  visitId: 'v',
  runId: 'r',
  jointId: 'j',
  checkPointId: null,
  kind: 'noted',
  body: { text: 'key at the gate' },
} as unknown as Entry;
const said = (kind: string, id: string, change: string, body: object) => ({ ...head, subject: { kind, id }, change, body }) as unknown as BookEntry;
const books = [
  {
    premises: { id: 'p', name: 'Lodge' },
    places: [{ id: 'k', name: 'Kitchen' }],
    appliances: [{ id: 'a', name: 'Sink' }],
    runs: [{ id: 'r', name: 'Sink, cold' }],
    visits: [{ id: 'v', title: 'Drip' }],
    followUps: [{ id: 'f', text: 'Bring a key' }],
  },
] as unknown as PremisesBook[];

describe('what was not sent', () => {
  it('is of a run and its visit, or of what the book calls so; of what this device does not hold that is said', () => {
    assert.equal(whatOf(note, books), 'Sink, cold, Drip');
    assert.equal(whatOf({ ...note, runId: 'other' }, books), 'a run that this device does not hold');
    assert.equal(whatOf(note, []), 'a run that this device does not hold');
    assert.equal(whatOf(said('appliance', 'a', 'renamed', {}), books), 'Sink');
    assert.equal(whatOf(said('follow-up', 'other', 'made', {}), books), 'follow-up');
    assert.deepEqual(
      ['p', 'k', 'r', 'v', 'f', 'x'].map((id) => nameIn(books, id)),
      ['Lodge', 'Kitchen', 'Sink, cold', 'Drip', 'Bring a key', undefined],
    );
  });

  it('is told in words, and as it is where it does not read', () => {
    assert.equal(inWords(note, books), 'key at the gate');
    assert.match(
      inWords(said('visit', 'v', 'run-removed', { runId: 'r', reason: 'press:not-there' }), books),
      /^Sink, cold taken off the list: not there$/,
    );
    const spoilt = { ...note, kind: 'end-seen', body: null } as unknown as Entry;
    assert.equal(inWords(spoilt, books), 'null');
  });

  it('is said anew with another body, of the same thing, as a new entry', () => {
    const again = anew({ ...note, correctsId: 'c' }, 'tablet', { text: 'key by the door' }) as Entry;
    assert.deepEqual(
      [again.visitId, again.runId, again.jointId, again.checkPointId, again.correctsId, again.deviceId],
      ['v', 'r', 'j', null, 'c', 'tablet'],
    );
    assert.deepEqual([again.body, again.id === note.id], [{ text: 'key by the door' }, false]);
    const book = anew(said('place', 'k', 'changed', { name: 'x' }), 'tablet', { name: 'Pantry' }) as BookEntry;
    assert.deepEqual([book.subject, book.change, book.body], [{ kind: 'place', id: 'k' }, 'changed', { name: 'Pantry' }]);
  });
});
