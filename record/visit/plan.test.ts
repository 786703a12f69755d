import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { overlapsOf } from './plan.ts';
import { workMinutes } from './work-minutes.ts';
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
});

describe('visits that run into each other', () => {
  const visit = (id: string, startsAt: string, minutes: number, cancelled: string | null = null, onDate = '2026-05-20') => ({
    visit: { id, title: id, onDate, startsAt, minutes, note: null, cancelled, arrivedMs: null, leftMs: null, premises: { id: 'p', name: 'p', timeZone: 'UTC', address: null } },
    runs: [],
  }); // biome-ignore format: one visit
  it('are those of one day whose hours overlap, and not those that touch', () => {
    const all = [visit('a', '09:00', 60), visit('b', '10:00', 30), visit('c', '09:45', 30), visit('d', '09:00', 600, 'rain'), visit('e', '09:00', 60, null, '2026-05-21')]; // biome-ignore format: one list
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
