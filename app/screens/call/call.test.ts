import '../../testing.ts';
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import type { PremisesBook } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import type { DayBlock } from '../../ui/day/index.ts';
import { EMPTY, sayingsOf, titleOf } from './draft.ts';
import { likelyRuns } from './likely-runs.ts';
import { firstFree, runsInto } from './when.ts';

const rows = catalogue().appliances.map(({ id, name, water }) => ({ id, name, water: [...water] }));
const item = (more: object = {}) => ({
  key: 'k',
  applianceId: null,
  kind: 'kitchen-faucet',
  name: 'Sink',
  room: 'Kitchen',
  work: 'kitchen-faucet-lines' as const,
  said: '',
  ...more,
});
const block = (startsAt: string, minutes: number, status = 'planned') => ({ id: startsAt, startsAt, minutes, status }) as unknown as DayBlock;

describe('a call as it is typed', () => {
  it('is called by what is done, by the first line of its note, or by looking first', () => {
    const names = (...all: string[]) => ({ items: all.map((name) => item({ name })), note: '' });
    assert.equal(titleOf(names('Sink', 'Sink', 'Toilet')), 'Sink, Toilet');
    assert.equal(titleOf(names('A', 'B', 'C', 'D', 'E')), 'A, B, C and 2 more');
    assert.equal(titleOf({ items: [], note: ' drips at night \nring first' }), 'drips at night');
    assert.equal(titleOf({ items: [], note: `${'x'.repeat(59)} yz` }), 'x'.repeat(59), 'no half a word is left hanging');
    assert.equal(titleOf({ items: [], note: ' ' }), 'Look first');
  });

  it('writes down new premises, a room, an appliance and both its runs, and the visit with its list in that order', () => {
    const draft = { ...EMPTY, name: ' Sluice house ', phone: '555 01', note: 'key at the gate', items: [item({ said: '3/8 comp to 1/2 fip' })] };
    const { all, visitId, premisesId } = sayingsOf(draft, null, { onDate: '2026-05-20', startsAt: '10:00' }, { timeZone: 'UTC', appliances: rows });
    assert.deepEqual(
      all.map((s) => `${s.subject.kind} ${s.change}`),
      ['premises made', 'place made', 'appliance made', 'run made', 'run made', 'visit made', 'visit run-added', 'visit run-added'],
    );
    assert.deepEqual(all[0]!.body, { name: 'Sluice house', timeZone: 'UTC', contact: { phone: '555 01' } });
    assert.deepEqual(
      all.slice(3, 5).map((s) => s.body.name),
      ['Sink, cold', 'Sink, hot'],
    );
    assert.deepEqual(all[5]!.body, { premisesId, onDate: '2026-05-20', startsAt: '10:00', title: 'Sink', note: 'key at the gate' });
    assert.equal(all[6]!.subject.id, visitId);
    assert.deepEqual(all[6]!.body.told, [
      { side: 'from', end: 'comp-3/8-m' },
      { side: 'to', end: 'npsm-1/2-f' },
    ]);
    assert.deepEqual(new Set(all.slice(6).map((s) => s.body.runId)), new Set(all.slice(3, 5).map((s) => s.subject.id)));
  });

  it('writes down nothing of what stands there, and leaves out runs that are retired', () => {
    const book = {
      premises: { id: 'p' },
      places: [{ id: 'k', name: 'kitchen', retired: null }],
      runs: [
        { id: 'r1', applianceId: 'a', retired: null },
        { id: 'r2', applianceId: 'a', retired: 'closed in' },
      ],
    } as unknown as PremisesBook;
    const say = (more: object) =>
      sayingsOf({ ...EMPTY, items: [item(more)] }, book, { onDate: '2026-05-20', startsAt: '10:00' }, { timeZone: 'UTC', appliances: rows }).all;
    const known = say({ applianceId: 'a' });
    assert.deepEqual(
      known.map((s) => `${s.subject.kind} ${s.change}`),
      ['visit made', 'visit run-added'],
    );
    assert.equal(known[1]!.body.runId, 'r1');
    assert.ok(!('told' in known[1]!.body), 'nothing was said of its ends');
    // A room of that name is there, in whatever letters.
    assert.deepEqual(
      say({ room: 'KITCHEN' }).map((s) => s.subject.kind),
      ['appliance', 'run', 'run', 'visit', 'visit', 'visit'],
    );
  });
});

describe('when', () => {
  it('two run into each other where they share a minute, not where one ends as the other begins', () => {
    assert.deepEqual(
      [0, 1].map((m) => runsInto(block('09:00', 60 + m), '10:00', 30)),
      [false, true],
    );
    assert.deepEqual(
      [60, 61].map((m) => runsInto(block('11:00', 60), '10:00', m)),
      [false, true],
    );
  });

  it('is the first half hour that is free, past what is booked and over what is called off; the morning where nothing is', () => {
    assert.equal(firstFree([], 60), '08:00');
    assert.equal(firstFree([block('08:00', 90)], 60), '09:30');
    assert.equal(firstFree([block('08:00', 90, 'cancelled')], 60), '08:00');
    assert.equal(firstFree([block('08:30', 60), block('10:00', 60)], 45), '11:00');
    assert.equal(firstFree([block('08:30', 60), block('10:00', 60)], 30), '08:00');
    assert.equal(firstFree([block('08:00', 10 * 60)], 30), '08:00');
  });
});

describe('what a call will likely take', () => {
  const book = { runs: [{ id: 'r1', applianceId: 'a', retired: null, water: 'hot' }] } as unknown as PremisesBook;
  const last = new Map([['r1', { chain: { from: 'comp-3/8-m', to: 'npsm-1/2-m' } }]]) as unknown as Map<string, LastState>;
  it('goes by the ends as they were said, else as they were the last time; of neither nothing is known', () => {
    assert.deepEqual(likelyRuns([item({ applianceId: 'a' })], book, last, rows), [
      { id: '0 0', water: 'hot', from: 'comp-3/8-m', to: 'npsm-1/2-m', rejoin: null },
    ]);
    assert.deepEqual(
      likelyRuns([item({ applianceId: 'a', said: '1/4 comp to 1/2 fip' })], book, last, rows).map((r) => r.from),
      ['comp-1/4-m'],
    );
    assert.deepEqual(likelyRuns([item({ applianceId: 'a' })], book, new Map(), rows), []);
    // A new one has the waters of its kind.
    assert.deepEqual(
      likelyRuns([item({ said: '3/8 comp to 1/2 fip' })], null, new Map(), rows).map((r) => r.water),
      ['cold', 'hot'],
    );
  });
});
