import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { seals } from '../../core/index.ts';
import { clock, dayWords, hoursWords, localTime, mlPerDay, money, proofWords, recheckWords } from './words.ts';

describe('words of the screens', () => {
  it('say money, clocks and volumes without false digits', () => {
    assert.equal(money(1930, 'USD'), '$19.30');
    assert.equal(money(123_456, 'EUR'), '€1,234.56');
    assert.equal(clock(282), '4:42');
    assert.equal(clock(-3), '0:00');
    assert.equal(mlPerDay(6.11), '6.2');
    assert.equal(mlPerDay(42.1), '43');
  });
  it('never round a bound down', () => {
    for (let v = 0.3; v < 60; v += 0.37) assert.ok(Number(mlPerDay(v)) >= v);
  });
  it('tell the time on the wall of the premises', () => {
    const noon = Date.UTC(2026, 0, 15, 12);
    assert.equal(localTime(noon, 'Etc/UTC'), '2026-01-15 12:00');
    assert.equal(localTime(noon, 'Etc/GMT+7'), '2026-01-15 05:00');
  });
  it('tell a day as lists show it, with its year where that is another', () => {
    assert.deepEqual(
      ['2026-05-20', '2026-05-21', '2025-05-20'].map((d) => dayWords(d, '2026-05-20')),
      ['today', 'May 21', 'May 20, 2025'],
    );
  });
  it('say minutes as one does, and never sixty of them beside an hour', () => {
    assert.deepEqual([0, 45, 59.7, 60, 80, 119.7, 605].map(hoursWords), ['0 min', '45 min', '1 h', '1 h', '1 h 20', '2 h', '10 h 05']);
  });
  it('say a bound with its recheck, and of a drain that it stayed dry while it worked', () => {
    const recheck = recheckWords({ signedOff: null, recheck: 'none', accepted: null } as never, 'Etc/UTC');
    assert.equal(recheck, 'recheck due 24 h after sign-off');
    const signed = (state: string) =>
      recheckWords({ signedOff: { recheckDueMs: Date.UTC(2026, 0, 15, 12) }, recheck: state, accepted: null } as never, 'Etc/UTC');
    assert.deepEqual(['due', 'closed', 'dry'].map(signed), [
      'recheck due 2026-01-15 12:00',
      'recheck closed, was due 2026-01-15 12:00',
      'looked at again: dry',
    ]);
    assert.equal(proofWords({ mlPerDay: 6.11, proven: true }, recheck), 'under 6.2 mL a day at 95 %, recheck due 24 h after sign-off');
    assert.equal(proofWords({ mlPerDay: null, proven: false }, recheck), 'nothing proven yet');
    assert.deepEqual(
      [true, false].map((proven) => proofWords({ mlPerDay: null, proven, drain: {} }, recheck)),
      ['stayed dry while it worked', 'not seen at work yet'],
    );
  });
  it('have a word for every seal', () => {
    for (const s of seals) assert.ok(s.shortName.length > 0 && s.shortName.length <= 20, s.id);
  });
});
