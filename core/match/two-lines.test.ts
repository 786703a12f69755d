import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { matchPreferring } from './preferring.ts';
import { part } from './testing.ts';

describe('two flexible pieces', () => {
  const nut = (id: string, lengthIn: number, a: string, b: string) =>
    part(
      id,
      [
        [a, 'either'],
        [b, 'either'],
      ],
      { flexible: true, lengthIn, tags: ['hose'] },
    );
  const short = nut('short', 20, 'comp-3/8-f', 'comp-3/8-m');
  const long = nut('long', 30, 'comp-3/8-f', 'bc-7/8-f');
  const parts = [short, long];
  const ask = (minLengthIn: number) => ({ from: 'comp-3/8-m', to: 'bc-7/8-m', parts, need: { water: 'cold' as const, minLengthIn } });

  it('are given only where no one reaches, with the reason and every joint counted', () => {
    assert.deepEqual(matchPreferring(ask(25), []).chains[0]?.parts, ['long']);
    const [chain] = matchPreferring(ask(45), []).chains;
    assert.deepEqual(chain?.parts, ['short', 'long']);
    assert.equal(chain?.joints.length, 3);
    assert.ok(chain?.cautions.some((c) => c.rule === 'two-lines'));
    assert.equal(matchPreferring(ask(60), []).unreachable?.[0]?.rule, 'only-shorter');
  });
});
