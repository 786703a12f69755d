import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { clockOffMs, happenedAt, isSeenTooLate, type Stamped } from './entry.ts';

const T0 = Date.UTC(2026, 2, 10, 12);
const at = (minute: number): string => new Date(T0 + minute * 60_000).toISOString();
/** Seen and sent by the device's clock, recorded by the server's, each so many minutes past noon. */
const entry = (seen: number, sent: number, recorded: number): Stamped => ({
  id: 'e',
  deviceId: 'd',
  correctsId: null,
  seenAt: at(seen),
  sentAt: at(sent),
  recordedAt: at(recorded),
});
const minuteOf = (e: Stamped): number => (happenedAt(e) - T0) / 60_000;

describe('when something happened', () => {
  it('is by the device, where its clock is right', () => assert.equal(minuteOf(entry(-30, 0, 0)), -30));
  it('is put right by how far the clock was off when it was sent', () => assert.equal(minuteOf(entry(60, 90, 30)), 0));
  it('is when it came, where a clock a year ahead was set right before it was sent, and that is marked', () => {
    const year = 365 * 24 * 60;
    const ahead = entry(year, 10, 10);
    assert.deepEqual([minuteOf(ahead), clockOffMs(ahead) / 60_000, isSeenTooLate(ahead)], [10, 10 - year, true]);
  });
  it('is never later than it came', () => {
    for (const [seen, sent, recorded] of [
      [5, 0, 0],
      [1, 0, 0],
      [0, 0, 0],
      [-5, 0, 0],
      [50, 40, 3],
    ] as const)
      assert.ok(minuteOf(entry(seen, sent, recorded)) <= recorded);
    assert.equal(isSeenTooLate(entry(0, 0, 0)), false);
  });
});
