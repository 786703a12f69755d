import '../../testing.ts';
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Happening, PremisesBook, Recheck } from '../../../record/index.ts';
import { nameMade, namesIn } from '../../screens/premises/names-in.ts';
import { sayingsOfRechecks } from './book-rechecks.ts';
import { byDay } from './by-day.ts';
import { plainName, toldIn, worksOf } from './new-work.ts';

describe('what happened', () => {
  it('stands under its day at the place, in the order given', () => {
    const row = (id: string, atMs: number) => ({ id, atMs }) as Happening;
    const rows = [
      row('a', Date.UTC(2026, 4, 20, 23, 30)),
      row('b', Date.UTC(2026, 4, 21, 0, 30)),
      row('c', Date.UTC(2026, 4, 21, 8)),
      row('d', Date.UTC(2026, 4, 20, 1)),
    ];
    const said = (zone: string) => byDay(rows, zone).map(([day, of]) => `${day} ${of.map((r) => r.id).join('')}`);
    assert.deepEqual(said('Etc/UTC'), ['2026-05-20 a', '2026-05-21 bc', '2026-05-20 d']);
    assert.deepEqual(said('Etc/GMT+2'), ['2026-05-20 ab', '2026-05-21 c', '2026-05-19 d'], 'by the clock of the place');
  });
  it('names what the premises hold, and what was made and taken back by how it was made', () => {
    const book = {
      premises: { id: 'p', name: 'Lodge' },
      places: [],
      appliances: [{ id: 'a', name: 'Sink' }],
      runs: [],
      visits: [{ id: 'v', title: 'Drip' }],
      followUps: [{ id: 'f', text: 'x'.repeat(80) }],
    };
    const names = namesIn(book as unknown as PremisesBook);
    assert.deepEqual(
      [names.get('p'), names.get('a'), names.get('v'), names.get('f')!.length, names.get('x')],
      ['Lodge', 'Sink', 'Drip', 60, undefined],
    );
    const made = [{ subject: { id: 's' }, change: 'made', body: { title: 'Recheck' } }] as never;
    assert.deepEqual([nameMade(made, 's'), nameMade(made, 't'), nameMade(null, 's')], ['Recheck', undefined, undefined]);
  });
});

describe('rechecks that are booked', () => {
  const due = (premisesId: string, runId: string, dueMs: number, timeZone = 'Etc/UTC') =>
    ({ premisesId, runId, visitId: `of ${runId}`, work: 'toilet-line', dueMs, timeZone }) as Recheck;
  it('are one visit to each premises, on the day the last of them is due, never on a day gone by', () => {
    const day = (d: number, hour = 12) => Date.UTC(2026, 4, d, hour);
    const said = sayingsOfRechecks(
      [due('p', 'r1', day(18)), due('q', 'r2', day(22)), due('q', 'r3', day(21)), due('q', 'r4', day(22, 23), 'Etc/GMT-3')],
      '2026-05-20',
    );
    const visits = said.filter((s) => s.change === 'made').map((s) => [s.body.premisesId, s.body.onDate, s.body.title]);
    assert.deepEqual(visits, [
      ['p', '2026-05-20', 'Recheck'],
      ['q', '2026-05-23', 'Recheck'],
    ]);
    const runs = said.filter((s) => s.change === 'run-added');
    assert.deepEqual(
      runs.map((s) => [s.body.runId, s.body.recheckOf]),
      ['r1', 'r2', 'r3', 'r4'].map((r) => [r, `of ${r}`]),
    );
    assert.equal(new Set(runs.map((s) => s.subject.id)).size, 2);
    assert.deepEqual(sayingsOfRechecks([], '2026-05-20'), []);
  });
});

describe('work as it is put on a visit', () => {
  it('is called as people call it', () => {
    assert.deepEqual(
      [plainName('toilet (tank)'), plainName('hose hydrant (frost free)'), plainName('dishwasher')],
      ['Toilet', 'Hose hydrant', 'Dishwasher'],
    );
    const works = worksOf('toilet');
    assert.ok(works.length > 3 && works.every(([, name]) => /^[A-Z]/.test(name) && !/^Toilet:/.test(name)), String(works));
  });
  it('hears the ends that were said, and says what it did not use', () => {
    assert.deepEqual(toldIn('  '), { told: [], words: [], unread: [] });
    const { told, words } = toldIn('3/8 comp to 7/8 ballcock');
    assert.deepEqual(told, [
      { side: 'from', end: 'comp-3/8-m' },
      { side: 'to', end: 'bc-7/8-m' },
    ]);
    assert.match(words.join('; '), /^from 3\/8 in OD compression.*; to 7\/8 in ballcock/);
    assert.deepEqual(toldIn('gizmo').told, []);
  });
});
