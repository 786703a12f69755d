import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { joinWindows } from '../../../core/index.ts';
import type { PremisesBook } from '../../../record/premises/book.ts';
import type { WaterThing } from '../../../record/premises/states.ts';
import { networkOf } from '../../../record/premises/water.ts';
import type { Visit } from '../../../record/visit/states.ts';
import { workMinutes } from '../../../record/visit/work-minutes.ts';
import { clock, inQuiet, jobsOf, minutesOf, quietOf } from './day-jobs.ts';

const NIGHT = { from: '21:00', to: '07:30' };
const NOON = { from: '12:30', to: '14:00' };

const place = (id: string, kind: 'source' | 'outlet' | 'junction', runId?: string): WaterThing => ({
  what: 'place',
  id,
  kind,
  heightFt: 0,
  ...(runId ? { runId } : {}),
});
const valve = (id: string, a: string, b: string): WaterThing => ({ what: 'valve', id, a, b, kind: 'gate', condition: 'works' });
const pipe = (a: string, b: string): WaterThing => ({ what: 'pipe', id: `${a}-${b}`, a, b, boreIn: 0.5, lengthFt: 10 });
/** Two taps on one branch valve, one tap with a valve of its own. */
const WATER = [
  place('street', 'source'),
  place('trunk', 'junction'),
  place('branch', 'junction'),
  place('tap a', 'outlet', 'run-a'),
  place('tap b', 'outlet', 'run-b'),
  place('tap c', 'outlet', 'run-c'),
  valve('main', 'street', 'trunk'),
  valve('branch valve', 'trunk', 'branch'),
  pipe('branch', 'tap a'),
  pipe('branch', 'tap b'),
  valve('own', 'trunk', 'tap c'),
];

const visit = (id: string, runs: [string, 'toilet-line' | 'basin-faucet', string?][]): Visit =>
  ({ id, title: `Visit ${id}`, runs: runs.map(([runId, work, removed]) => ({ runId, work, removed: removed ?? null })) }) as unknown as Visit;
const BOOK = { premises: { water: WATER }, runs: [{ id: 'run-d', name: 'Attic tap' }] } as unknown as PremisesBook;

describe('the hours of a house', () => {
  it('are read and said as a clock does', () => {
    assert.deepEqual([minutesOf('07:30'), clock(450), clock(0), clock(1439), clock(59.7)], [450, '07:30', '00:00', '23:59', '01:00']);
    fc.assert(fc.property(fc.integer({ min: 0, max: 1439 }), (m) => minutesOf(clock(m)) === m));
  });
  it('are quiet over midnight as well as at noon', () => {
    assert.deepEqual(quietOf(null), []);
    assert.deepEqual(quietOf(NOON), [{ from: 750, to: 840 }]);
    assert.deepEqual(quietOf(NIGHT), [
      { from: 0, to: 450 },
      { from: 1260, to: 1440 },
    ]);
    assert.deepEqual(
      [
        inQuiet(NIGHT, '06:00', '07:00'),
        inQuiet(NIGHT, '07:30', '09:00'),
        inQuiet(NIGHT, '20:00', '21:30'),
        inQuiet(NIGHT, '22:00', '23:00'),
        inQuiet(NOON, '13:00', '13:30'),
        inQuiet(null, '00:00', '23:59'),
      ],
      [true, false, true, true, true, false],
    );
  });
  it('hold a time or do not, whichever way it is asked', () => {
    const minute = fc.integer({ min: 0, max: 1438 });
    fc.assert(
      fc.property(minute, minute, minute, fc.integer({ min: 1, max: 600 }), (from, to, begins, lasts) => {
        if (from === to) return;
        const ends = Math.min(1439, begins + lasts);
        const isQuiet = (m: number) => (from < to ? m >= from && m < to : m >= from || m < to);
        const byMinute = Array.from({ length: ends - begins }, (_, i) => begins + i).some(isQuiet);
        assert.equal(inQuiet({ from: clock(from), to: clock(to) }, clock(begins), clock(ends)), byMinute);
      }),
    );
  });
});

describe('the work of a day', () => {
  it('is one piece a visit: what is drawn of it, with the minutes of its kinds; what is not drawn is named', () => {
    const { jobs, undrawn } = jobsOf(
      [
        visit('1', [
          ['run-a', 'toilet-line'],
          ['run-b', 'basin-faucet'],
        ]),
        visit('2', [
          ['run-c', 'toilet-line'],
          ['run-d', 'toilet-line'],
        ]),
        visit('3', [['run-d', 'toilet-line']]),
      ],
      BOOK,
      {},
    );
    const { usual, slow } = workMinutes(['toilet-line', 'basin-faucet']);
    assert.deepEqual(jobs[0], { id: '1', workOn: ['tap a', 'tap b'], minutes: usual, slowMinutes: slow });
    assert.deepEqual(
      jobs.map((j) => j.workOn),
      [['tap a', 'tap b'], ['tap c']],
    );
    assert.deepEqual(undrawn, ['Attic tap', 'Attic tap']);
  });
  it('leaves out runs that were taken off the list, and visits with nothing left', () => {
    const { jobs, undrawn } = jobsOf([visit('1', [['run-a', 'toilet-line', 'not wanted']])], BOOK, {});
    assert.deepEqual([jobs, undrawn], [[], []]);
  });
  it('joins two visits on one branch into one time without water, outside the quiet hours, with time for the slow case', () => {
    const { jobs } = jobsOf([visit('1', [['run-a', 'toilet-line']]), visit('2', [['run-b', 'toilet-line']])], BOOK, {});
    const { windows, left } = joinWindows(networkOf(WATER), jobs, { from: minutesOf('06:00'), to: minutesOf('18:00') }, quietOf(NIGHT));
    assert.deepEqual([windows.length, left, windows[0]!.close], [1, [], ['branch valve']]);
    assert.equal(clock(windows[0]!.from), '07:30');
    assert.equal(windows[0]!.slowTo - windows[0]!.from, 2 * workMinutes(['toilet-line']).slow);
    // Too short a day for both: one is told as left.
    const short = joinWindows(networkOf(WATER), jobs, { from: 450, to: 450 + Math.ceil(workMinutes(['toilet-line']).slow) }, quietOf(NIGHT));
    assert.deepEqual([short.windows.length, short.left.map((l) => l.why)], [1, ['no-time']]);
  });
});
