import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../errors.ts';
import { type LengthQuestion, pickLength } from './pick-length.ts';
import { clearanceBehind, slackCoil } from './slack-coil.ts';

const toilet: LengthQuestion = {
  from: { x: 4, y: 6.5, headingDeg: 90 },
  to: { x: 11.25, y: 13, headingDeg: 90 },
  lengthsIn: [9, 12, 16, 20],
  endStraightIn: 1.25,
  minBendRadiusIn: 1.5,
  odIn: 0.5,
  room: { leftIn: 0, floorIn: 0 },
};

test('a toilet’s line: the shortest that hangs free comes first, what is too short last, each with why', () => {
  const picks = pickLength(toilet);
  assert.deepEqual(
    picks.map((p) => p.lengthIn),
    [12, 16, 20, 9],
  );
  assert.deepEqual(
    picks.map((p) => p.verdict),
    ['fits', 'fits', 'fits', 'too-short'],
  );
  assert.match(picks[3]!.because[0]!.text, /short/);
  assert.match(picks[0]!.because[0]!.text, /^Tightest bend 1\.\d in, allowed 1\.5 in/);
});

test('a line that would lie on the floor is told, and comes after what lies free', () => {
  const low = { ...toilet, from: { x: 4, y: 2, headingDeg: 0 }, to: { x: 13, y: 2, headingDeg: 0 }, lengthsIn: [9.3, 12], minBendRadiusIn: 0.5 };
  const picks = pickLength(low);
  assert.deepEqual([picks[0]!.lengthIn, picks[0]!.verdict], [9.3, 'fits']);
  assert.deepEqual([picks[1]!.verdict, picks[1]!.touches], ['touches', ['floor']]);
  assert.match(picks[1]!.because[0]!.text, /^It lies against the floor/);
});

test('an appliance that moves: the line reaches with it out and lies with it home, coiled where it must', () => {
  const fridge: LengthQuestion = {
    from: { x: 3, y: 8, headingDeg: 0 },
    to: { x: 8, y: 6, headingDeg: 180 },
    pulledOut: { x: 56, y: 6, headingDeg: 0 },
    lengthsIn: [48, 60, 72, 84, 120],
    endStraightIn: 1.25,
    minBendRadiusIn: 2,
    odIn: 0.36,
    room: { leftIn: 0, floorIn: 0, topIn: 66, rightIn: 10 },
    coilSpace: { widthIn: 30, heightIn: 60, depthIn: 2 },
  };
  const picks = pickLength(fridge);
  const by = new Map(picks.map((p) => [p.lengthIn, p]));
  assert.equal(by.get(48)!.verdict, 'too-short');
  assert.match(by.get(48)!.because[0]!.text, /^Pulled out it is/);
  assert.equal(picks[0]!.lengthIn, 60);
  assert.equal(picks[0]!.verdict, 'fits');
  assert.ok(picks[0]!.coil!.radiusIn >= 2 && 2 * picks[0]!.coil!.radiusIn <= 30);
  // Nothing behind to coil in: what lies against the back is said to.
  const bare = pickLength({ ...fridge, coilSpace: undefined });
  assert.ok(bare.filter((p) => p.verdict === 'fits').length === 0);
  // Taut pulled out is not a fit, whatever it does at home.
  assert.equal(pickLength({ ...fridge, pulledOut: { x: 60.7, y: 8, headingDeg: 0 }, lengthsIn: [57.8] })[0]!.verdict, 'taut');
});

test('no length at all, and a length that is none, are refused', () => {
  assert.throws(() => pickLength({ ...toilet, lengthsIn: [] }), InputError);
  assert.throws(() => pickLength({ ...toilet, lengthsIn: [12, -1] }), InputError);
});

test('turns of a coil take just what is over, none tighter than allowed, all in the space; else there is none', () => {
  const inches = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  fc.assert(
    fc.property(
      inches(1, 300),
      inches(2, 40),
      inches(2, 60),
      inches(0.3, 6),
      inches(0.2, 0.8),
      inches(0.5, 4),
      (slackIn, widthIn, heightIn, depthIn, odIn, minBendRadiusIn) => {
        const coil = slackCoil({ slackIn, widthIn, heightIn, depthIn, odIn, minBendRadiusIn });
        const lies = (turns: number) => {
          const r = slackIn / (2 * Math.PI * turns);
          return r >= minBendRadiusIn && 2 * r + odIn <= Math.min(widthIn, heightIn) && turns * odIn <= depthIn;
        };
        const fewest = Array.from({ length: 600 }, (_, i) => i + 1).find(lies) ?? null;
        assert.equal(coil?.turns ?? null, fewest);
        if (coil) assert.ok(Math.abs(coil.turns * 2 * Math.PI * coil.radiusIn - slackIn) < 1e-9);
      },
    ),
    { numRuns: 300, seed: 11, endOnFailure: true },
  );
});

test('behind an appliance there is room for what stands out, the straight end and the bend', () => {
  assert.equal(clearanceBehind({ standsOutIn: 1, endStraightIn: 1.25, minBendRadiusIn: 2, odIn: 0.5 }), 4.5);
  assert.equal(clearanceBehind({ standsOutIn: 0, endStraightIn: 0, minBendRadiusIn: 1, odIn: 0.5, turns: 6 }), 3);
});
