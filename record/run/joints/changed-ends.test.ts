import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Entry } from '../../kinds.ts';
import { runState } from '../state.ts';
import { acceptedOf, CONTEXT, HOSES } from '../testing.ts';
import { changedEnds, untouchedJoints } from './changed-ends.ts';

let n = 0;
function entry(kind: string, body: object): Entry {
  n += 1;
  const at = new Date(Date.UTC(2026, 2, 10, 8, n)).toISOString();
  return {
    id: `e${n}`,
    visitId: 'v',
    runId: 'run',
    jointId: null,
    checkPointId: null,
    correctsId: null,
    deviceId: 'phone',
    seq: n,
    seenAt: at,
    sentAt: at,
    recordedAt: at,
    kind,
    body,
  } as Entry;
}
const seen = (side: string, end: string) => entry('end-seen', { side, end, how: 'seen' });
/** A run with its chain accepted, and ends noted after that. */
function state(...later: [side: string, end: string][]) {
  const before = [seen('from', 'comp-3/8-m'), seen('to', 'bc-7/8-m'), entry('chain-accepted', acceptedOf(HOSES[0]!, null))];
  return runState(CONTEXT, [...before, ...later.map(([side, end]) => seen(side, end))]);
}

describe('an end noted otherwise after the chain was accepted', () => {
  it('nothing, while the ends are those of the chain', () => {
    assert.deepEqual(changedEnds(state()), []);
    assert.deepEqual(changedEnds(state(['from', 'comp-3/8-m'])), []);
  });

  it('names the joint and the part that no longer hold, and those that stay', () => {
    const wrong = state(['from', 'npt-1/2-m']);
    const changed = changedEnds(wrong);
    assert.deepEqual(changed, [{ side: 'from', was: 'comp-3/8-m', now: 'npt-1/2-m', joint: 'J1', part: HOSES[0]!.name, holds: false }]);
    assert.deepEqual(untouchedJoints(wrong, changed), ['J2']);
  });

  it('at the inlet it is the last joint; put right again, nothing is touched', () => {
    const wrong = changedEnds(state(['to', 'comp-3/8-m']));
    assert.deepEqual([wrong[0]!.joint, wrong[0]!.part, wrong[0]!.holds], ['J2', HOSES[0]!.name, false]);
    assert.deepEqual(changedEnds(state(['to', 'comp-3/8-m'], ['to', 'bc-7/8-m'])), []);
  });

  it('of another material the joint may still hold', () => {
    const [plastic] = changedEnds(state(['to', 'bc-7/8-m:metal']));
    assert.equal(plastic?.holds, true);
  });
});
