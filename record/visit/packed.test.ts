import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { UNTOUCHED } from '../run/told/summary.ts';
import { daySheetOf } from './day.ts';
import type { DayVisit } from './day-run.ts';
import { packDay, packWeek, unpackDay, unpackWeek } from './packed.ts';
import type { Told } from './states.ts';
import { weekSheetOf } from './week.ts';

const DAYS = ['2026-05-18', '2026-05-19', '2026-05-24'];
const visit = fc.record({
  id: fc.uuid(),
  onDate: fc.constantFrom(...DAYS),
  startsAt: fc.constantFrom('08:00', '09:30', '10:00'),
  minutes: fc.option(fc.constantFrom(30, 90)),
  cancelled: fc.option(fc.constant('rain'), { freq: 5 }),
  note: fc.option(fc.string()),
  vanId: fc.option(fc.constantFrom('v1', 'v2')),
});
const run = fc.record({
  id: fc.uuid(),
  water: fc.constantFrom('cold' as const, 'hot' as const),
  isBegun: fc.boolean(),
  told: fc.option(fc.constant<Told[]>([{ side: 'from', end: 'comp-3/8-m' }])),
  off: fc.option(fc.constant('later'), { freq: 5 }),
  needs: fc.dictionary(fc.constantFrom('a', 'b'), fc.constant({ name: 'A', quantity: 1, unit: 'piece' as const })),
  finding: fc.option(fc.constantFrom('damp' as const, 'drip' as const)),
});
const visits = fc.array(fc.tuple(visit, fc.array(run, { maxLength: 3 })), { maxLength: 8 }).map((list): DayVisit[] =>
  list.map(([v, runs]) => ({
    visit: { ...v, title: `T ${v.id}`, arrivedMs: null, leftMs: null, premises: { id: 'p', name: 'P', timeZone: 'UTC', address: null } },
    runs: runs.map(({ off, needs, finding, told, ...r }) => ({
      ...r,
      name: `R ${r.id}`,
      appliance: 'Toilet',
      place: 'Bath',
      work: 'toilet-line',
      ...(told ? { told } : {}),
      summary: { ...UNTOUCHED, offList: off, needs, finding },
    })),
  })),
);
const STOCKED = [{ id: 'v1', name: 'Van', kind: 'van' as const, items: [{ item: 'a', quantity: 2, minimum: 0 }] }];
const AT = new Date('2026-05-18T12:00:00Z');

describe('a packed sheet', () => {
  it('unpacked is the sheet that was packed, of a day and of a week', () => {
    fc.assert(
      fc.property(visits, (list) => {
        const sorted = [...list].sort((a, b) => (a.visit.onDate < b.visit.onDate ? -1 : 1));
        const plain = (value: unknown) => JSON.parse(JSON.stringify(value));
        const day = daySheetOf(DAYS[0]!, sorted, STOCKED, AT);
        assert.deepEqual(plain(unpackDay(packDay(day))), plain(day));
        const week = weekSheetOf(DAYS[0]!, sorted, [], STOCKED, AT);
        assert.deepEqual(plain(unpackWeek(packWeek(week))), plain(week));
      }),
    );
  });

  it('is a small part of what the sheet is in full', () => {
    const many = Array.from(
      { length: 40 },
      (_, i): DayVisit => ({
        visit: {
          id: `018f0000-0000-7000-8000-0000000000${10 + i}`,
          title: 'Lodge washer, cold',
          onDate: DAYS[0]!,
          startsAt: '09:00',
          minutes: null,
          note: null,
          vanId: null,
          cancelled: null,
          arrivedMs: null,
          leftMs: null,
          premises: { id: 'p', name: 'Juniper house', timeZone: 'UTC', address: '44 Ferry walk' },
        },
        runs: [
          {
            id: `018f0000-0000-7000-8000-0000000001${10 + i}`,
            name: 'Lodge washer, cold',
            appliance: 'Lodge washer',
            place: 'Laundry',
            work: 'washer-arrestors',
            water: 'cold',
            isBegun: false,
            summary: UNTOUCHED,
          },
        ],
      }),
    );
    const day = daySheetOf(DAYS[0]!, many, STOCKED, AT);
    assert.ok(packDay(day).length * 6 < JSON.stringify(day).length);
  });
});
