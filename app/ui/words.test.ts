import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { seals } from '../../core/index.ts';
import { clock, localTime, mlPerDay, money } from './words.ts';

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
  it('have a word for every seal', () => {
    for (const s of seals) assert.ok(s.shortName.length > 0 && s.shortName.length <= 20, s.id);
  });
});
