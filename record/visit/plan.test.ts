import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import type { WorkKindId } from '../../core/make/work-kinds.ts';
import { UNTOUCHED } from '../run/told/summary.ts';
import type { DayRun } from './day-run.ts';
import { overlapsOf, statusOf } from './plan.ts';
import { minutesOfOne, minutesOfWork, type OwnRecord, ownVisits, workMinutes } from './work-minutes.ts';
import { instantOf } from './zone.ts';

describe('a local day and time as a moment', () => {
  const cases: [day: string, time: string, zone: string, utc: string][] = [
    ['2026-07-01', '09:00', 'America/New_York', '2026-07-01T13:00:00Z'],
    ['2026-01-01', '09:00', 'America/New_York', '2026-01-01T14:00:00Z'],
    ['2026-01-01', '00:30', 'Asia/Kathmandu', '2025-12-31T18:45:00Z'],
    ['2026-05-20', '23:59', 'UTC', '2026-05-20T23:59:00Z'],
    // The clock goes from 2 to 3, and from 2 back to 1.
    ['2026-03-08', '02:30', 'America/New_York', '2026-03-08T07:30:00Z'],
    ['2026-11-01', '00:30', 'America/New_York', '2026-11-01T04:30:00Z'],
    ['2026-11-01', '03:00', 'America/New_York', '2026-11-01T08:00:00Z'],
  ];
  for (const [day, time, zone, utc] of cases) {
    it(`${day} ${time} in ${zone}`, () => assert.equal(new Date(instantOf(day, time, zone)).toISOString(), new Date(utc).toISOString()));
  }
});

describe('minutes by kinds of work', () => {
  it('are the once-a-visit part and the sum; the slow ones do not all fall on one day', () => {
    assert.deepEqual(workMinutes([]), { usual: 20, slow: 35 });
    const one = workMinutes(['toilet-line']);
    const three = workMinutes(['toilet-line', 'toilet-line', 'basin-faucet']);
    assert.equal(one.usual, 40);
    assert.equal(three.usual, 120);
    assert.ok(three.slow - three.usual < 3 * (one.slow - one.usual));
    assert.ok(one.slow > one.usual);
  });

  const recordOf = (minutes: number[]): OwnRecord => {
    const logs = minutes.map((m) => Math.log(minutesOfOne(m)));
    return { n: logs.length, sumLn: logs.reduce((a, b) => a + b, 0), sumLn2: logs.reduce((a, b) => a + b * b, 0) };
  };

  it('come from the shop’s own visits, the more of them the more', () => {
    const guess = minutesOfWork('toilet-line');
    const after = (n: number) =>
      minutesOfWork('toilet-line', { 'toilet-line': recordOf(Array.from({ length: n }, (_, i) => 20 + 60 * 1.1 ** ((i % 3) - 1))) });
    assert.deepEqual(after(0), guess);
    const [few, some, many] = [1, 10, 2000].map(after);
    assert.ok(guess.usual < few!.usual && few!.usual < some!.usual && some!.usual < many!.usual);
    assert.ok(Math.abs(many!.usual - 60) < 0.2);
    // Visits that differ little leave little spread, whatever the guess said.
    assert.ok(many!.slow / many!.usual < 1.15 && many!.slow > many!.usual);
    assert.equal(ownVisits(['toilet-line', 'hydrant'], { 'toilet-line': recordOf([40, 50]) }), 0);
    assert.equal(ownVisits(['toilet-line'], { 'toilet-line': recordOf([40, 50]) }), 2);
  });

  it('whatever the visits, lie between them and the guess, and the slow ones above', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 21, max: 590 }), { minLength: 1, maxLength: 60 }), (minutes) => {
        const own = { 'toilet-line': recordOf(minutes) };
        const { usual, slow } = minutesOfWork('toilet-line', own);
        const all = [20, ...minutes.map(minutesOfOne)];
        assert.ok(usual >= Math.min(...all) - 1e-9 && usual <= Math.max(...all) + 1e-9 && slow >= usual);
        // By brute force: the guess as four visits of its own middle and spread.
        const spread = Math.log(45 / 20) / 1.2816;
        const logs = [
          ...Array(2).fill(Math.log(20) + spread),
          ...Array(2).fill(Math.log(20) - spread),
          ...minutes.map((m) => Math.log(minutesOfOne(m))),
        ];
        const mean = logs.reduce((a, b) => a + b, 0) / logs.length;
        const sd = Math.sqrt(logs.reduce((a, b) => a + (b - mean) ** 2, 0) / logs.length);
        assert.ok(Math.abs(usual - Math.exp(mean)) < 1e-6 && Math.abs(slow - Math.exp(mean + 1.2816 * sd)) < 1e-4);
      }),
    );
  });
});

describe('how far a visit is', () => {
  const visit = {
    id: 'v',
    title: 'v',
    onDate: '2026-05-20',
    startsAt: '09:00',
    minutes: null,
    note: null,
    vanId: null,
    cancelled: null,
    arrivedMs: null,
    leftMs: null,
    premises: { id: 'p', name: 'p', timeZone: 'UTC', address: null },
  };
  const run = (work: WorkKindId, more: Partial<DayRun['summary']> = {}, isBegun = false): DayRun => ({
    id: work,
    name: work,
    appliance: work,
    place: '',
    work,
    water: 'cold',
    isBegun,
    summary: { ...UNTOUCHED, ...more },
  });
  it('follows from what was recorded, and nobody sets it', () => {
    const [line, off] = [run('toilet-line'), run('toilet-remove')];
    const signed = run('toilet-line', { signedOffMs: 5 }, true);
    const came = { ...visit, arrivedMs: 10 };
    const went = { ...came, leftMs: 20 };
    assert.deepEqual(
      [
        statusOf(visit, [line]),
        statusOf(visit, [run('toilet-line', {}, true)]),
        statusOf(came, [line]),
        statusOf(went, [line]),
        statusOf(visit, [signed]),
        statusOf(visit, [signed, line]),
        statusOf(visit, [signed, run('toilet-line', { offList: 'not today' })]),
        // It joins nothing, so there is nothing to sign off.
        statusOf(came, [off]),
        statusOf(went, [off]),
        statusOf(went, []),
        statusOf({ ...went, cancelled: 'rain' }, [signed]),
      ],
      ['planned', 'under way', 'under way', 'under way', 'done', 'under way', 'done', 'under way', 'done', 'done', 'cancelled'],
    );
  });
});

describe('visits that run into each other', () => {
  const visit = (id: string, startsAt: string, minutes: number, cancelled: string | null = null, onDate = '2026-05-20') => ({
    visit: {
      id,
      title: id,
      onDate,
      startsAt,
      minutes,
      note: null,
      vanId: null,
      cancelled,
      arrivedMs: null,
      leftMs: null,
      premises: { id: 'p', name: 'p', timeZone: 'UTC', address: null },
    },
    runs: [],
  });
  it('are those of one day whose hours overlap, and not those that touch', () => {
    const all = [
      visit('a', '09:00', 60),
      visit('b', '10:00', 30),
      visit('c', '09:45', 30),
      visit('d', '09:00', 600, 'rain'),
      visit('e', '09:00', 60, null, '2026-05-21'),
    ];
    assert.deepEqual(
      [...overlapsOf(all)],
      [
        ['a', ['c']],
        ['b', ['c']],
        ['c', ['a', 'b']],
        ['d', []],
        ['e', []],
      ],
    );
  });
});
