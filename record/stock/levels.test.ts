import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import type { BookEntry } from '../book/entry.ts';
import { elsewhereOf, reorderOf, type StockedPlace, stockOf, toldOf, vanOf, withWaiting } from './levels.ts';

const T0 = Date.parse('2026-03-10T08:00:00Z');
let n = 0;
function said(place: string, change: string, body: object, more: Partial<BookEntry> = {}): BookEntry {
  n += 1;
  const at = new Date(T0 + n * 1000).toISOString();
  return {
    id: `e${String(n).padStart(6, '0')}`,
    deviceId: 'phone',
    seq: n,
    seenAt: at,
    sentAt: at,
    recordedAt: at,
    correctsId: null,
    subject: { kind: 'stock', id: place },
    change,
    body,
    ...more,
  } as BookEntry;
}

const PLACES = ['shelf', 'van'];
const changes = fc.array(
  fc.record({
    place: fc.constantFrom(...PLACES),
    change: fc.constantFrom('received', 'used', 'thrown', 'moved', 'counted', 'minimum-set'),
    item: fc.constantFrom('a', 'b'),
    quantity: fc.integer({ min: 1, max: 20 }),
  }),
  { maxLength: 30 },
);
const entriesOf = (list: { place: string; change: string; item: string; quantity: number }[]) =>
  list.map(({ place, change, item, quantity }) => said(place, change, { item, quantity, reason: 'r', toId: place === 'shelf' ? 'van' : 'shelf' }));
const none = (): StockedPlace[] => PLACES.map((id) => ({ id, name: id, kind: id as 'shelf' | 'van', items: [] }));
const quantities = (entries: BookEntry[]) =>
  ['a', 'b'].flatMap((item) => [...toldOf(item, entries).values()].map((t) => `${t.placeId} ${item} ${t.quantity} ${t.minimum}`)).sort();

describe('what lies at a place', () => {
  it('is the same whatever the order in which its entries come', () => {
    fc.assert(
      fc.property(changes, (list) => {
        const entries = entriesOf(list);
        assert.deepEqual(quantities([...entries].reverse()), quantities(entries));
      }),
    );
  });

  it('follows a tally kept by hand, and what is moved is neither lost nor made', () => {
    fc.assert(
      fc.property(changes, (list) => {
        const tally = new Map<string, number>();
        const add = (key: string, by: number) => tally.set(key, (tally.get(key) ?? 0) + by);
        for (const { place, change, item, quantity } of list) {
          const key = `${place} ${item}`;
          if (change === 'received') add(key, quantity);
          if (change === 'used' || change === 'thrown' || change === 'moved') add(key, -quantity);
          if (change === 'moved') add(`${place === 'shelf' ? 'van' : 'shelf'} ${item}`, quantity);
          if (change === 'counted') tally.set(key, quantity);
        }
        const entries = entriesOf(list);
        for (const item of ['a', 'b']) {
          for (const [placeId, told] of toldOf(item, entries)) assert.equal(told.quantity, tally.get(`${placeId} ${item}`) ?? 0);
        }
      }),
    );
  });

  it('on a device, with what waits there, is what the server will say of it', () => {
    fc.assert(
      fc.property(changes, (list) => {
        const entries = entriesOf(list);
        const shown = withWaiting(none(), entries).flatMap((p) => p.items.map((l) => `${p.id} ${l.item} ${l.quantity} ${l.minimum}`));
        assert.deepEqual(shown.sort(), quantities(entries));
      }),
    );
  });

  it('a place made on the device is there before the server knows of it', () => {
    const [made, got] = [said('new', 'place-made', { name: 'Van 2', kind: 'van' }), said('new', 'received', { item: 'a', quantity: 2, reason: 'r' })];
    assert.deepEqual(withWaiting([], [made, got]), [{ id: 'new', name: 'Van 2', kind: 'van', items: [{ item: 'a', quantity: 2, minimum: 0 }] }]);
  });
});

describe('what is to be bought', () => {
  const places: StockedPlace[] = [
    {
      id: 's',
      name: 'Shelf',
      kind: 'shelf',
      items: [
        { item: 'a', quantity: 9, minimum: 2 },
        { item: 'b', quantity: 0, minimum: 0 },
      ],
    },
    {
      id: 'v',
      name: 'Van',
      kind: 'van',
      items: [
        { item: 'a', quantity: 1, minimum: 4 },
        { item: 'b', quantity: -2, minimum: 1 },
      ],
    },
  ];
  it('is each place’s own shortfall: the nine on the shelf do not fill the van', () => {
    assert.deepEqual(reorderOf(places), [
      { item: 'a', quantity: 3, at: [{ placeId: 'v', quantity: 3 }] },
      { item: 'b', quantity: 3, at: [{ placeId: 'v', quantity: 3 }] },
    ]);
  });
  it('but says that it lies on the shelf', () => {
    assert.deepEqual(elsewhereOf('a', places, vanOf(places)), [{ placeId: 's', place: 'Shelf', quantity: 9 }]);
    assert.deepEqual(stockOf(vanOf(places)), { a: 1, b: 0 });
    assert.equal(vanOf(places, 'none of these')?.id, 'v');
  });
});
