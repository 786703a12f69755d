import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../errors.ts';
import { walkBent } from './testing.ts';
import { cutList, tubeRoute } from './tube-route.ts';

test('a way round corners: straight legs, arcs, and what goes into the fittings', () => {
  // Two legs of 20 and a square bend of 3: tangents save 6, the arc spends 3 pi / 2.
  const r = tubeRoute({ legsIn: [20, 20], bends: [{ deg: 90, radiusIn: 3 }], insertsIn: [0.375, 0.5], allowanceIn: 6 });
  assert.ok(Math.abs(r.alongIn - (40 - 6 + (3 * Math.PI) / 2)) < 1e-9);
  assert.ok(Math.abs(r.cutIn - (r.alongIn + 0.875 + 12)) < 1e-9);
  assert.ok(Math.abs(r.bendsAtIn[0]!.fromIn - (6 + 0.375 + 17)) < 1e-9);
});

test('walked along, the tube ends where the corners say', () => {
  const leg = fc.double({ min: 15, max: 60, noNaN: true });
  const bend = fc.record({ deg: fc.double({ min: 5, max: 100, noNaN: true }), radiusIn: fc.double({ min: 1, max: 5, noNaN: true }) });
  fc.assert(
    fc.property(leg, leg, leg, bend, bend, (a, b, c, first, second) => {
      const r = tubeRoute({ legsIn: [a, b, c], bends: [first, second], allowanceIn: 0 });
      const { x, y } = walkBent(
        r.alongIn,
        r.bendsAtIn.map((at, i) => ({ ...at, radiusIn: [first, second][i]!.radiusIn })),
      );
      const turn1 = (first.deg * Math.PI) / 180;
      const turn2 = turn1 + (second.deg * Math.PI) / 180;
      const corner = [a + b * Math.cos(turn1) + c * Math.cos(turn2), b * Math.sin(turn1) + c * Math.sin(turn2)];
      assert.ok(Math.hypot(x - corner[0]!, y - corner[1]!) < 1e-9, `${x} ${y} against ${corner}`);
    }),
    { numRuns: 200, seed: 2, endOnFailure: true },
  );
});

test('a leg too short for its bends, a bend too tight for the tube, a bend missing: each is named', () => {
  assert.throws(
    () => tubeRoute({ legsIn: [2, 20], bends: [{ deg: 90, radiusIn: 3 }] }),
    (e: InputError) => e.field === 'legsIn[0]',
  );
  assert.throws(
    () => tubeRoute({ legsIn: [20, 20], bends: [{ deg: 90, radiusIn: 2 }], minBendRadiusIn: 2.5 }),
    (e: InputError) => e.field === 'bends[0].radiusIn',
  );
  assert.throws(() => tubeRoute({ legsIn: [20, 20], bends: [] }), InputError);
});

test('cuts are laid on coils with as few new coils as any way of laying them', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 10, max: 90 }), { minLength: 1, maxLength: 6 }),
      fc.array(fc.integer({ min: 20, max: 120 }), { maxLength: 3 }),
      (lengths, left) => {
        const cuts = lengths.map((lengthIn, i) => ({ name: `cut ${i}`, lengthIn }));
        const laid = cutList(
          cuts,
          left.map((leftIn, i) => ({ id: `coil ${i}`, leftIn })),
          100,
        );
        // Each cut once, none past its coil's end.
        assert.deepEqual(laid.flatMap((c) => c.cuts.map((k) => k.name)).sort(), cuts.map((c) => c.name).sort());
        for (const c of laid) assert.ok(c.leftIn >= 0);
        // Every way of laying them, by counting in base coils + news.
        const bins = left.length + lengths.length;
        let fewest = Number.POSITIVE_INFINITY;
        for (let code = 0; code < bins ** lengths.length; code++) {
          const room = [...left, ...lengths.map(() => 100)];
          let rest = code;
          for (const l of lengths) {
            room[rest % bins]! -= l;
            rest = Math.floor(rest / bins);
          }
          if (room.every((r) => r >= 0)) fewest = Math.min(fewest, room.slice(left.length).filter((r) => r < 100).length);
        }
        assert.equal(laid.filter((c) => c.coil === 'new').length, fewest);
      },
    ),
    { numRuns: 25, seed: 4, endOnFailure: true },
  );
});

test('a cut longer than any coil is refused; many cuts are laid all the same', () => {
  assert.throws(
    () => cutList([{ name: 'long', lengthIn: 700 }], [], 600),
    (e: InputError) => /long/.test(e.field),
  );
  const many = Array.from({ length: 40 }, (_, i) => ({ name: `c${i}`, lengthIn: 30 + (i % 7) }));
  assert.equal(cutList(many, [], 600).flatMap((c) => c.cuts).length, 40);
});
