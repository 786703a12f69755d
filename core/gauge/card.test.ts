import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { CARD_SHEET, gaugeCard, type Mark } from './card.ts';

const marks = gaugeCard();
const of = <K extends Mark['kind']>(kind: K) => marks.filter((m): m is Extract<Mark, { kind: K }> => m.kind === kind);

describe('the gauge card', () => {
  it('has rulers of exactly 6 in and 150 mm', () => {
    const lengths = of('line').map((l) => Math.hypot(l.to[0] - l.from[0], l.to[1] - l.from[1]));
    assert.ok(lengths.some((n) => Math.abs(n - 6) < 1e-12));
    assert.ok(lengths.some((n) => Math.abs(n - 150 / 25.4) < 1e-12));
  });
  it('has a ring for every outside diameter of tube', () => {
    assert.deepEqual(
      of('circle').map((c) => c.radius * 2),
      [0.25, 0.3125, 0.375, 0.5, 0.625, 0.875],
    );
  });
  it('keeps within the sheet, with room at the edges for a printer', () => {
    for (const m of marks) {
      const points = m.kind === 'line' ? [m.from, m.to] : m.kind === 'polygon' ? m.points : m.kind === 'circle' ? [m.centre] : [m.at];
      for (const [x, y] of points)
        assert.ok(x >= 0.25 && x <= CARD_SHEET.widthIn - 0.25 && y >= 0.25 && y <= CARD_SHEET.heightIn - 0.25, JSON.stringify(m));
    }
  });
  it('draws combs of half an inch with teeth at their pitch', () => {
    const comb = of('polygon').find((p) => p.filled)!;
    const tips = comb.points.filter((_, i) => i % 2 === 1 && i < 12).map(([x]) => x);
    for (let i = 1; i < tips.length; i++) assert.ok(Math.abs(tips[i]! - tips[i - 1]! - 1 / 11.5) < 1e-9);
  });
});
