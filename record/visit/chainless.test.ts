import assert from 'node:assert/strict';
import { it } from 'node:test';
import { runsWithoutChain } from './chainless.ts';

type Visits = Parameters<typeof runsWithoutChain>[0];

const run = (more: object, summary: object = {}) => ({
  work: 'toilet-line',
  summary: { acceptedId: null, signedOffMs: null, offList: null, ...summary },
  ...more,
});

const visit = (cancelled: string | null, ...runs: object[]) => ({ visit: { cancelled }, runs });

const chainless = (...visits: object[]) => runsWithoutChain(visits as unknown as Visits);

it('runs of a day without a chain are those still to be chosen for: not what is done, off the list, called off, joins nothing or is only looked at again', () => {
  const count = (...visits: object[]) => chainless(...visits).length;
  assert.equal(count(visit(null, run({}), run({}))), 2);
  assert.equal(count(visit(null, run({}, { acceptedId: 'a' }))), 0);
  assert.equal(count(visit(null, run({}, { signedOffMs: 1 }))), 0);
  assert.equal(count(visit(null, run({}, { offList: 'not wanted' }))), 0);
  assert.equal(count(visit(null, run({ recheckOf: 'v' }))), 0);
  assert.equal(count(visit('they moved', run({}))), 0);
  assert.equal(count(visit(null, run({ work: 'toilet-remove' }))), 0);
  assert.equal(count(visit(null, run({})), visit(null, run({}))), 2);
});

it('their ends are as they were seen, else as they were told, and none where one side is not known', () => {
  const seen = { from: 'comp-3/8-m', to: 'bc-7/8-m', rejoin: null };
  const told = [
    { side: 'from', end: 'cu-5/8od' },
    { side: 'to', end: 'bc-7/8-m' },
  ];
  const endsOf = (...runs: object[]) => chainless(visit(null, ...runs)).map((c) => c.ends);
  assert.deepEqual(endsOf(run({ told }, { ends: seen }), run({ told }), run({ told: told.slice(1) }), run({})), [
    seen,
    { from: 'cu-5/8od', to: 'bc-7/8-m', rejoin: null },
    null,
    null,
  ]);
  assert.equal(endsOf(run({ told: [...told, { side: 'rejoin', end: 'comp-3/8-f' }] }))[0]!.rejoin, 'comp-3/8-f');
});
