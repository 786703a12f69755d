import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../errors.ts';
import { afterProbe, around, holeFor } from './holes.ts';

const SIZES = [0.5, 0.75, 1, 1.25, 1.5, 2, 2.5].map((diameterIn) => ({ diameterIn, tool: 'hole saw' }));

test('one body wants its width, two their sum, three alike 2.155 times one', () => {
  assert.equal(around([0.5]), 0.5);
  assert.equal(around([0.5, 0.25]), 0.75);
  // Three equal circles: 1 + 2 / root 3.
  assert.ok(Math.abs(around([1, 1, 1]) - (1 + 2 / Math.sqrt(3))) < 1e-12);
});

test('whatever goes through three together is let through, and none less would do', () => {
  const d = fc.double({ min: 0.2, max: 2, noNaN: true });
  fc.assert(
    fc.property(d, d, d, (a, b, c) => {
      const R = around([a, b, c]) / 2;
      // They are laid into it: the two widest touch each other and the rim, the third is tried all round.
      const [p, q, r] = [a, b, c].map((x) => x / 2).sort((x, y) => y - x) as [number, number, number];
      const lies = (hole: number) => {
        if (p > hole) return false;
        for (let i = 0; i < 720; i++) {
          const u = (i * Math.PI) / 360;
          const at2 = [(hole - q) * Math.cos(u), (hole - q) * Math.sin(u)];
          if (Math.hypot(at2[0]! - (hole - p), at2[1]!) < p + q - 2e-3) continue;
          for (let j = 0; j < 720; j++) {
            const v = (j * Math.PI) / 360;
            const at3 = [(hole - r) * Math.cos(v), (hole - r) * Math.sin(v)];
            if (Math.hypot(at3[0]! - (hole - p), at3[1]!) >= p + r - 2e-3 && Math.hypot(at3[0]! - at2[0]!, at3[1]! - at2[1]!) >= q + r - 2e-3)
              return true;
          }
        }
        return false;
      };
      assert.ok(lies(R + 0.01), `${a} ${b} ${c} do not lie in ${2 * R}`);
      assert.ok(!lies(R - 0.03), `${a} ${b} ${c} lie in less than ${2 * R}`);
    }),
    { numRuns: 25, seed: 6, endOnFailure: true },
  );
});

test('a hose with its nut wants the nut’s corners, the next saw, and a probe first', () => {
  const hole = holeFor([{ name: '3/4 hose nut', acrossIn: 1.2 }], SIZES);
  assert.equal(hole.diameterIn, 1.5);
  // Flats of 15/16: corners 2 / root 3 wider.
  assert.ok(Math.abs(holeFor([{ name: 'nut', flatsIn: 15 / 16 }], SIZES, 0).leastIn - 1.0825) < 1e-3);
  assert.match(hole.because[0]!.text, /probe of 3\/16 in goes first/);
  assert.throws(() => holeFor([], SIZES), InputError);
  assert.throws(
    () => holeFor([{ name: 'drain', acrossIn: 4 }], SIZES),
    (e: InputError) => /two holes/.test(e.message),
  );
});

test('a probe that meets a joist moves the hole to the middle of the next bay, and the line grows', () => {
  assert.deepEqual(afterProbe({ through: 'floor', atIn: 20 }), { atIn: 20, addedIn: 0, because: [] });
  const right = afterProbe({ through: 'floor', atIn: 20, metAtIn: 19.5 });
  assert.deepEqual([right.atIn, right.addedIn], [27.5, 7.5]);
  assert.equal(afterProbe({ through: 'wall', atIn: 20, metAtIn: 20.5, bayIn: 24 }).atIn, 8.5);
});
