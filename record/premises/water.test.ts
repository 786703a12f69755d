import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { bookRefusal } from '../book/check.ts';
import type { BookEntry } from '../book/entry.ts';
import { stateOf } from '../book/fold.ts';
import type { BookNow } from '../book/now.ts';
import type { Entry } from '../kinds.ts';
import { networkOf, triedIn } from './water.ts';

const HOUSE = '01930000-0000-7000-8000-000000000001';
const RUN = '01930000-0000-7000-8000-000000000002';
let n = 0;
function said(change: string, body: Record<string, unknown>, minute: number, more: Partial<BookEntry> = {}): BookEntry {
  n += 1;
  const at = new Date(Date.UTC(2026, 4, 20, 9, minute)).toISOString();
  return {
    id: `01930000-0000-7000-8000-${String(n).padStart(12, '0')}`,
    deviceId: '01930000-0000-7000-8000-0000000000d1',
    seenAt: at,
    sentAt: at,
    recordedAt: at,
    correctsId: null,
    subject: { kind: 'premises', id: HOUSE },
    change,
    body,
    ...more,
  };
}
const made = said('made', { name: 'House', timeZone: 'UTC' }, 0);
const place = (id: string, kind: string, heightFt = 0) => ({ what: 'place', id, kind, heightFt });
const valve = (id: string, a: string, b: string, condition = 'unknown', more: object = {}) => ({
  what: 'valve',
  id,
  a,
  b,
  kind: 'gate',
  condition,
  ...more,
});
const drawing = said(
  'water-drawn',
  { things: [place('street', 'source'), place('tap', 'outlet', 3), valve('main', 'street', 'tap', 'unknown', { runId: RUN })] },
  1,
);
const water = (...entries: BookEntry[]) => stateOf('premises', HOUSE, [made, ...entries])!.water;
const book: BookNow = { get: () => null, hangsOn: () => null, hasChain: () => false, hasRecord: () => false };
const refused = (entry: BookEntry, ...before: BookEntry[]) =>
  bookRefusal(entry, [made, ...before], {
    ...book,
    get: ((kind: string) => (kind === 'premises' ? stateOf('premises', HOUSE, [made, ...before]) : null)) as BookNow['get'],
  })?.rule;

describe('the water of a premises', () => {
  it('stands as it was drawn last, and without what was taken away; a link goes with its place', () => {
    const again = said('water-drawn', { things: [{ ...place('tap', 'outlet', 4), name: 'Yard tap' }] }, 2);
    const all = water(drawing, again);
    assert.deepEqual(
      all.map((t) => t.id),
      ['street', 'tap', 'main'],
    );
    assert.deepEqual(all[1], { ...place('tap', 'outlet', 4), name: 'Yard tap' });
    assert.deepEqual(
      water(drawing, said('water-gone', { things: ['tap'], reason: 'taken out' }, 3)).map((t) => t.id),
      ['street'],
    );
    const back = said('withdrawn', { reason: 'not that one' }, 4, { correctsId: again.id });
    assert.deepEqual(water(drawing, again, back)[1], place('tap', 'outlet', 3));
  });
  it('refuses a link to nowhere or to itself, and a valve that is not drawn', () => {
    const link = (a: string, b: string) => said('water-drawn', { things: [valve('x', a, b)] }, 5);
    assert.equal(refused(link('street', 'attic'), drawing), 'to-nowhere');
    assert.equal(refused(link('tap', 'tap'), drawing), 'to-itself');
    assert.equal(refused(link('street', 'tap'), drawing), undefined);
    assert.equal(refused(said('valve-tried', { valve: 'attic', condition: 'works' }, 5), drawing), 'no-valve');
    assert.equal(refused(said('valve-tried', { valve: 'main', condition: 'works' }, 5), drawing), undefined);
  });
  it('finds the stops that were tried on runs, as they stand; none where none is, none that was taken back', () => {
    const entry = (kind: string, body: object, minute: number, correctsId: string | null = null) => {
      const { subject: _, change: __, ...base } = said('', {}, minute);
      return { ...base, visitId: 'v', runId: RUN, jointId: null, checkPointId: null, kind, body, correctsId } as unknown as Entry;
    };
    const [first, second] = [
      entry('stop-tried', { kind: 'gate', condition: 'works' }, 1),
      entry('stop-tried', { kind: 'gate', condition: 'passes' }, 2),
    ];
    const conditions = (...more: Entry[]) => triedIn([first, second, ...more]).map((t) => t.condition);
    assert.deepEqual(conditions(), ['works', 'passes']);
    assert.deepEqual(conditions(entry('withdrawn', { reason: 'slipped' }, 3, second.id)), ['works']);
    assert.deepEqual(triedIn([entry('stop-tried', { kind: 'none', condition: 'unknown' }, 1)]), []);
  });
  it('knows a valve as it was tried last, on the network or on the run whose stop it is', () => {
    const tried = said('valve-tried', { valve: 'main', condition: 'passes' }, 10);
    const at = (minute: number) => Date.UTC(2026, 4, 20, 9, minute);
    const condition = (...stops: Parameters<typeof networkOf>[1] & object) => networkOf(water(drawing, tried), stops).valves[0]!.condition;
    assert.equal(condition(), 'passes');
    assert.equal(condition({ runId: RUN, condition: 'works', atMs: at(5) }), 'passes');
    // Drawn after the stop was tried on its run, and never tried itself; and drawn again under a name, which is no trial.
    const stops = [{ runId: RUN, condition: 'works' as const, atMs: at(0) }];
    assert.equal(networkOf(water(drawing), stops).valves[0]!.condition, 'works');
    const named = said('water-drawn', { things: [{ ...valve('main', 'street', 'tap', 'passes', { runId: RUN }), name: 'Main' }] }, 30);
    assert.equal(networkOf(water(drawing, tried, named), [{ ...stops[0]!, atMs: at(15) }]).valves[0]!.condition, 'works');
    assert.equal(condition({ runId: RUN, condition: 'works', atMs: at(15) }), 'works');
    assert.equal(condition({ runId: RUN, condition: 'unknown', atMs: at(20) }, { runId: RUN, condition: 'works', atMs: at(15) }), 'works');
    assert.deepEqual(networkOf(water(drawing)).places, [
      { id: 'street', kind: 'source', heightFt: 0 },
      { id: 'tap', kind: 'outlet', heightFt: 3 },
    ]);
  });
});
