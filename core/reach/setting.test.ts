import assert from 'node:assert/strict';
import { test } from 'node:test';
import { InputError } from '../errors.ts';
import { pickLength } from './pick-length.ts';
import { lengthQuestion, type Setting, WAYS, type Way } from './setting.ts';

const LINE = { odIn: 0.5, minBendRadiusIn: 3, endStraightIn: 1.5 };
const toilet: Setting = {
  stop: { outIn: 3.5, upIn: 6.5, faces: 'up' },
  inlet: { outIn: 5, upIn: 17, faces: 'down' },
  sideIn: 0,
  pulledOutIn: null,
  behind: null,
};

test('a line leaves its stop the way it faces, and comes to the inlet against the way that faces', () => {
  const q = lengthQuestion(toilet, LINE, [12]);
  assert.deepEqual([q.from, q.to.headingDeg], [{ x: 3.5, y: 6.5, headingDeg: 90 }, 90]);
  const back = lengthQuestion({ ...toilet, inlet: { ...toilet.inlet, faces: 'wall' } }, LINE, [12]);
  // An inlet on the back of an appliance: the line travels away from the wall into it.
  assert.equal(((back.to.headingDeg % 360) + 360) % 360, 0);
});

test('to the side it lies in space, and the same line turned to the side is as long', () => {
  const flat = lengthQuestion({ ...toilet, inlet: { outIn: 7.5, upIn: 17, faces: 'down' } }, LINE, [12, 16]);
  const aside = lengthQuestion({ ...toilet, inlet: { outIn: 3.5, upIn: 17, faces: 'down' }, sideIn: 4 }, LINE, [12, 16]);
  assert.equal(flat.from.z, undefined);
  assert.deepEqual([aside.from.z, aside.to.z], [0, 4]);
  const figures = (q: typeof flat) => pickLength({ ...q, room: {} }).map((p) => [p.lengthIn, p.verdict, p.shape.minRadiusIn.toFixed(3)]);
  assert.deepEqual(figures(aside), figures(flat));
});

test('an outlet that faces the other end’s side is shorter to it than one that faces away', () => {
  const facing = (faces: Way, inlet: Way) =>
    pickLength(
      lengthQuestion({ ...toilet, stop: { outIn: 4, upIn: 10, faces }, inlet: { outIn: 4, upIn: 10, faces: inlet }, sideIn: 12 }, LINE, [13.5]),
    )[0]!;
  // They face each other: nearly straight. They face apart: the line has to come round.
  assert.notEqual(facing('side', 'side').verdict, 'too-short');
  assert.ok(facing('side', 'side').shape.minRadiusIn > facing('other-side', 'other-side').shape.minRadiusIn);
  assert.equal(facing('other-side', 'other-side').verdict, 'too-short');
});

test('what stands out of the room, and a way that is none, are refused by name', () => {
  assert.throws(
    () => lengthQuestion({ ...toilet, stop: { ...toilet.stop, outIn: -1 } }, LINE, [12]),
    (e: InputError) => e.field === 'stop.outIn',
  );
  assert.throws(
    () => lengthQuestion({ ...toilet, sideIn: Number.NaN }, LINE, [12]),
    (e: InputError) => e.field === 'sideIn',
  );
  assert.throws(() => lengthQuestion({ ...toilet, inlet: { ...toilet.inlet, faces: 'sideways' as Way } }, LINE, [12]), InputError);
  for (const way of Object.keys(WAYS) as Way[])
    assert.ok(lengthQuestion({ ...toilet, stop: { ...toilet.stop, faces: way } }, LINE, [12]).from.headingDeg < 360);
});
