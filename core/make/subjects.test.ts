import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { defaultRules } from '../house/rules.ts';
import { jointsInOrder } from './subjects.ts';
import { hose, part, runBy } from './testing.ts';

const order = (run: Parameters<typeof jointsInOrder>[0], flushes = false) => jointsInOrder(run, flushes).joints.map((j) => j.joint.n);
const fromAppliance = { ...defaultRules, firstEnd: 'appliance' as const };

describe('the order in which joints are made', () => {
  const line = hose('line', 'comp-3/8-f', 'npsm-1/2-f');

  it('goes from the end the house begins at', () => {
    const parts = [line];
    assert.deepEqual(order(runBy(parts, 'comp-3/8-m', 'npsm-1/2-m')), [1, 2]);
    assert.deepEqual(order(runBy(parts, 'comp-3/8-m', 'npsm-1/2-m', { rules: fromAppliance })), [2, 1]);
  });

  it('turns a thread that turns the whole piece while that piece is free', () => {
    const parts = [part('stop', ['npt-1/2-f', 'comp-3/8-m'], { tags: ['stop'] }), line];
    // From the appliance: the hose last on the stop, or it would be wound up with it.
    assert.deepEqual(order(runBy(parts, 'npt-1/2-m', 'npsm-1/2-m', { rules: fromAppliance })), [1, 3, 2]);
  });

  it('solders first, whatever end comes first', () => {
    const parts = [part('stop', ['cup-5/8od', 'comp-3/8-m'], { tags: ['stop', 'solder'] }), line];
    assert.deepEqual(order(runBy(parts, 'cu-5/8od', 'npsm-1/2-m', { rules: fromAppliance })), [1, 3, 2]);
  });

  it('goes on from the wall where something is flushed, and the joint to the appliance waits', () => {
    const parts = [part('stop', ['comp-5/8-m', 'comp-3/8-m'], { tags: ['stop'] }), line];
    const { joints, flushesAtSource } = jointsInOrder(runBy(parts, 'cu-5/8od', 'npsm-1/2-m', { rules: fromAppliance }), true);
    assert.deepEqual(
      joints.map((j) => [j.joint.n, j.isHeld]),
      [
        [1, false],
        [2, false],
        [3, true],
      ],
    );
    assert.equal(flushesAtSource, false);
  });

  it('holds both ends of a rigid piece with a nut at each: nothing is flushed through half a riser', () => {
    const riser = part('riser', ['cu-3/8od', 'cu-3/8od'], { cutToLength: true, maxLengthIn: 20, tags: ['line:riser'] });
    const { joints, flushesAtSource } = jointsInOrder(runBy([riser], 'comp-3/8-m', 'comp-3/8-m', { need: { minLengthIn: 8 } }), true);
    assert.deepEqual(
      joints.map((j) => [j.joint.n, j.isHeld, j.startsApart]),
      [
        [1, true, true],
        [2, true, true],
      ],
    );
    assert.equal(flushesAtSource, true, 'the water side itself is flushed');
  });

  it('flushes a bare end before it is soldered into the appliance', () => {
    const stub = part('piece', ['cu-7/8od', 'cu-7/8od']);
    const coupling = part('coupling', ['cup-5/8od', 'cup-7/8od'], { tags: ['solder'] });
    const { joints, flushesAtSource } = jointsInOrder(runBy([coupling, stub], 'cu-5/8od', 'cup-7/8od'), true);
    assert.equal(flushesAtSource, true);
    assert.ok(joints.every((j) => j.isHeld));
    assert.equal(joints[0]!.onBench, true, 'what is soldered between two new pieces is soldered on the bench');
  });

  it('makes a hose up on its elbow on the bench where the elbow has a nut that turns by itself', () => {
    const elbow = part('elbow', ['comp-3/8-m', 'ght-3/4-f'], { tags: ['elbow'] });
    const run = runBy([hose('line', 'comp-3/8-f', 'comp-3/8-f'), elbow], 'comp-3/8-m', 'ght-3/4-m');
    assert.deepEqual(
      jointsInOrder(run, false).joints.map((j) => [j.joint.n, j.onBench]),
      [
        [2, true],
        [1, false],
        [3, false],
      ],
    );
  });

  it('hangs a tee on its fixed shank before anything hangs on the tee, and joins an old nut again where its tee stands', () => {
    const tee = part('tee', ['bc-7/8-m', 'bc-7/8-f', 'comp-3/8-m']);
    const fill = runBy([tee, hose('line', 'comp-3/8-f', 'comp-3/8-f')], 'bc-7/8-f', 'comp-3/8-m', { rejoin: 'bc-7/8-m' });
    assert.deepEqual(
      order(fill),
      [4, 1, 2, 3].filter((n) => n <= fill.chain!.joints.length),
    );
    const add = part('add-on', ['comp-3/8-f', 'comp-3/8-m', 'comp-3/8-m']);
    const stop = runBy([add, hose('line', 'comp-3/8-f', 'npsm-1/2-f')], 'comp-3/8-m', 'npsm-1/2-m', { rejoin: 'comp-3/8-f' });
    assert.deepEqual(order(stop), [1, 4, 2, 3]);
  });
});
