import assert from 'node:assert/strict';
import { it } from 'node:test';
import fc from 'fast-check';
import type { DayBlock } from './day-blocks.ts';
import { lanesOf } from './lanes.ts';

const at = (minute: number): string => `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
const block = (id: string, from: number, minutes: number) => ({ id, startsAt: at(from), minutes }) as DayBlock;

it('blocks stand in the first lane where they run into nothing; one that begins as another ends stands behind it', () => {
  const lanes = lanesOf([block('c', 600, 60), block('a', 480, 120), block('b', 540, 120)]);
  assert.deepEqual([lanes.get('a'), lanes.get('b'), lanes.get('c')], [0, 1, 0]);
});

it('no two in a lane overlap, and there are no more lanes than stand beside each other at some minute', () => {
  const day = fc.array(fc.record({ from: fc.integer({ min: 0, max: 1200 }), minutes: fc.integer({ min: 1, max: 300 }) }), { maxLength: 12 });
  fc.assert(
    fc.property(day, (rows) => {
      const blocks = rows.map((r, i) => block(String(i), r.from, r.minutes));
      const lanes = lanesOf(blocks);
      for (const [i, a] of rows.entries()) {
        for (const [j, b] of rows.entries()) {
          if (i < j && lanes.get(String(i)) === lanes.get(String(j))) assert.ok(a.from + a.minutes <= b.from || b.from + b.minutes <= a.from);
        }
      }
      const deepest = Math.max(0, ...rows.map((r) => rows.filter((o) => o.from <= r.from && r.from < o.from + o.minutes).length));
      assert.equal(new Set(lanes.values()).size, deepest);
    }),
  );
});
