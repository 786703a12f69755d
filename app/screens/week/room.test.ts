import assert from 'node:assert/strict';
import { it } from 'node:test';
import type { WeekVisit } from '../../../record/index.ts';
import { LEAF, leftOf, roomOf, widthOf, x } from './room.ts';

const visit = (startsAt: string, minutes: number) => ({ startsAt, minutes }) as WeekVisit;

it('an hour is a twelfth of the leaf from seven on, and what begins before stands at its edge', () => {
  assert.deepEqual([x(7 * 60), x(13 * 60), x(19 * 60)], [0, LEAF.width / 2, LEAF.width]);
  assert.deepEqual([leftOf(visit('05:00', 60)), leftOf(visit('13:00', 60)), leftOf(visit('13:00', 60), 60)], [0, 435, 507.5]);
});

it('a visit is as wide as it is long, never too narrow to be taken hold of, and ends with the leaf', () => {
  assert.deepEqual(
    [visit('08:00', 60), visit('08:00', 1)].map((v) => widthOf(v, leftOf(v))),
    [72.5, 18],
  );
  const late = visit('18:30', 600);
  assert.equal(leftOf(late) + widthOf(late, leftOf(late)), LEAF.width - 2);
});

it('its words have room up to the next visit, and where none comes to the end', () => {
  const short = visit('08:00', 15);
  assert.equal(roomOf(short, visit('10:00', 60)), 141);
  assert.equal(roomOf(short, undefined), LEAF.width - 72.5 - 4);
  assert.equal(roomOf(visit('08:00', 240), visit('09:00', 60)), 290, 'one that runs into it takes none of its own width');
});
