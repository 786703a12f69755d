import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { surgeEffects } from './effects.ts';
import type { SurgeQuestion } from './shape.ts';
import { surge } from './surge.ts';
import { SNAPPED as LINE } from './testing.ts';

describe('what would soften a bang', () => {
  it('is each change run by itself, the lowest peak first', () => {
    const effects = surgeEffects(LINE);
    const peaks = effects.map((e) => e.peakPsi);
    assert.deepEqual(
      peaks,
      [...peaks].sort((a, b) => a - b),
    );
    const half = effects.find((e) => e.words === 'half as much runs')!;
    assert.equal(half.peakPsi, surge({ ...LINE, gpm: 1 }).peakPsi);
    const wide = effects.find((e) => e.words.includes('the next size'))!;
    assert.equal(wide.peakPsi, surge({ ...LINE, pipes: [{ ...LINE.pipes[0]!, boreIn: 0.785, wallIn: 0.045 }] }).peakPsi);
    assert.ok(effects.every((e) => e.isUnderLimit === e.peakPsi <= 150));
    assert.equal(effects.filter((e) => e.words.startsWith('an arrestor')).length, 4);
  });
  it('moves the cushion that is there, and no farther than the line is long', () => {
    const short = surgeEffects({ ...LINE, pipes: [{ ...LINE.pipes[0]!, lengthFt: 5 }], cushion: { volumeIn3: 2, prechargePsi: 60 } });
    assert.deepEqual(
      short
        .filter((e) => e.words.startsWith('the cushion'))
        .map((e) => e.words)
        .sort(),
      ['the cushion 3 ft from it', 'the cushion at the valve'],
    );
  });
  it('leaves out a change that cannot be', () => {
    const words = (q: Partial<SurgeQuestion>) => surgeEffects({ ...LINE, ...q }).map((e) => e.words);
    assert.ok(!words({ closeMs: 60_000 }).includes('it shuts twice as slowly'), 'twice a minute');
    assert.ok(words({ closeMs: 60_000 }).includes('half as much runs'), 'the others are there');
    const weak = words({ staticPsi: 12, gpm: 4 });
    assert.ok(!weak.includes('20 psi less standing') && weak.includes('half as much runs'), String(weak));
  });
});
