import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { inletOf, type KnownRun, knownNetwork, MAIN, stopOf } from './known.ts';
import { brokenLinks } from './network.ts';
import { planIsolation } from './plan-isolation.ts';

const run = (id: string, more: Partial<KnownRun> = {}): KnownRun => ({
  id,
  name: id,
  water: 'cold',
  stop: { kind: 'quarter-turn', condition: 'works' },
  mixesAt: null,
  ...more,
});
function plan(runs: KnownRun[], ...workOn: string[]) {
  const net = knownNetwork(runs);
  assert.deepEqual(brokenLinks(net), []);
  const answer = planIsolation(net, { workOn });
  assert.ok(answer.possible, 'possible');
  return answer;
}

describe('a house that nobody has drawn', () => {
  it('is shut at the stop, and at the main where the stop does not hold or goes', () => {
    const runs = [run('wc'), run('tap', { stop: { kind: 'gate', condition: 'passes' } })];
    const wc = plan(runs, inletOf('wc'));
    assert.deepEqual([wc.close, wc.dry, wc.fallback?.possible && wc.fallback.close], [[stopOf('wc')], [], [MAIN]]);
    assert.deepEqual([plan(runs, inletOf('tap')).close, plan(runs, inletOf('tap')).dry], [[MAIN], [inletOf('wc')]]);
    assert.deepEqual(plan(runs, stopOf('wc')).close, [MAIN]);
  });
  it('shuts both sides of a faucet that mixes, and turns the heater off where it loses its water', () => {
    const pair = [run('cold', { mixesAt: 'basin' }), run('hot', { water: 'hot', mixesAt: 'basin' })];
    assert.deepEqual([...plan(pair, inletOf('cold')).close].sort(), [stopOf('cold'), stopOf('hot')]);
    const bare = [run('cold', { mixesAt: 'basin', stop: null }), run('hot', { water: 'hot', mixesAt: 'basin', stop: null })];
    assert.deepEqual([plan(bare, inletOf('hot')).close, plan(bare, inletOf('hot')).energyOff], [[MAIN], ['heater']]);
  });
});
