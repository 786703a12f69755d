import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { type Kit, kitFor } from './kits.ts';

describe('a kit', () => {
  const kit = (id: string, priceCents: number, ...contents: string[]): Kit => ({ id, name: id, contents, priceCents });
  const cents = (item: string) => ({ line: 1200, elbow: 400, tee: 1100 })[item] ?? 0;
  it('is bought where everything in it is wanted and it costs less than its contents', () => {
    const kits = [kit('small', 1500, 'line', 'elbow'), kit('dear', 1600, 'line', 'elbow'), kit('large', 2400, 'line', 'elbow', 'tee')];
    assert.equal(kitFor(['line', 'elbow'], kits, cents)?.id, 'small');
    assert.equal(kitFor(['elbow', 'tee', 'line'], kits, cents)?.id, 'large');
    assert.equal(kitFor(['line'], kits, cents), null);
    assert.equal(kitFor([], kits, cents), null);
  });
});
