import assert from 'node:assert/strict';
import { it } from 'node:test';
import { runsWithoutChain } from './day.ts';

type Visits = Parameters<typeof runsWithoutChain>[0];
const run = (summary: object = {}, more: object = {}) => ({
  recheckOf: null,
  ...more,
  summary: { acceptedId: null, signedOffMs: null, offList: null, ...summary },
});
const visit = (cancelled: string | null, ...runs: object[]) => ({ visit: { cancelled }, runs });

it('runs of a day without a chain are those still to be chosen for: not what is done, off the list, called off or only looked at again', () => {
  const count = (...visits: object[]) => runsWithoutChain(visits as unknown as Visits);
  assert.equal(count(), 0);
  assert.equal(count(visit(null, run(), run({ acceptedId: 'a' })), visit(null, run())), 2);
  assert.equal(count(visit('ill', run())), 0);
  assert.equal(count(visit(null, run({ offList: 'entered twice' }), run({ signedOffMs: 1 }), run({}, { recheckOf: 'v' }))), 0);
});
