/** A rinse is told in the seconds of the run's own flow, where its pressure was read. */
import assert from 'node:assert/strict';
import { it } from 'node:test';
import type { PathStep } from '../../../core/flow/line-pieces.ts';
import { toEntry } from '../entry.testing.ts';
import { type RunContext, runState } from '../state.ts';
import { acceptedOf, CONTEXT, HOSES } from '../testing.ts';

it('the card’s rinse takes the seconds of the flow that the chain gives at the pressure read, and else of the design', () => {
  const asked: [path: readonly PathStep[], staticPsi: number | undefined][] = [];
  const context: RunContext = {
    ...CONTEXT,
    appliance: { ...CONTEXT.appliance, designGpm: 3 },
    stepData: CONTEXT.stepData.map((t) => (t.id === 'old-off' ? { ...t, detail: '{rinse}, about {rinseSeconds}' } : t)),
    gpmOf: (path, { staticPsi }) => {
      asked.push([path, staticPsi]);
      return 1.5;
    },
  };
  const accepted = toEntry('chain-accepted', acceptedOf(HOSES[0]!, null), 1);
  const detail = (entries: Parameters<typeof runState>[1]) => runState(context, entries).card.find((s) => s.id.startsWith('old-off'))!.detail;
  assert.equal(detail([accepted]), '2 cups, about 3 s at 3 gpm');
  assert.equal(asked.length, 0, 'nobody read a pressure');
  const read = toEntry('place-seen', { pressurePsi: 55 } as never, 0);
  assert.equal(detail([read, accepted]), '2 cups, about 5 s at 1.5 gpm');
  assert.deepEqual([asked[0]![0].map((p) => p.part), asked[0]![1]], [['hose'], 55]);
});
