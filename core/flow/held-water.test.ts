import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { fillSeconds, heldGal, hotWait } from './held-water.ts';
import { operatingPoint } from './operating-point.ts';
import { fading } from './osmosis.ts';
import { fitSupply } from './supply.ts';

const near = (a: number, b: number, part: number, what: string) => assert.ok(Math.abs(a - b) <= part * Math.abs(b), `${what}: ${a} and ${b}`);
const COPPER = { boreIn: 0.545, lengthIn: 600, odIn: 0.625, material: 'copper' };

describe('water that stands in a line', () => {
  it('is 0.0408 gallons a foot for the square of the bore', () => {
    near(heldGal([COPPER]), 0.0408 * 0.545 ** 2 * 50, 1e-3, 'gallons');
    near(fillSeconds(1.3, 2.6), 30, 1e-12, 'a tank');
  });
  it('is waited for, and its tube warmed: a closed form', () => {
    const wait = hotWait([COPPER], 1.5, 120, 65);
    // Copper: 8,940 kg/m3 at 385 J/(kg K); water of 65 F: 998.8 at 4,184.
    const ratio = ((0.625 ** 2 - 0.545 ** 2) * 8940 * 385) / (0.545 ** 2 * 998.8 * 4184);
    near(wait.wastedGal, heldGal([COPPER]) * (1 + ratio), 1e-4, 'wasted');
    near(wait.seconds, (wait.wastedGal * 60) / 1.5, 1e-9, 'seconds');
    // A pound of water takes a Btu for each degree: 8.33 lb a gallon, 55 degrees.
    near(wait.lostBtu, wait.wastedGal * 8.335 * 55, 5e-3, 'heat');
    const bare = hotWait([{ boreIn: 0.545, lengthIn: 600 }], 1.5, 120, 65);
    near(bare.wastedGal, heldGal([COPPER]), 1e-12, 'a wall nobody named takes nothing');
    assert.throws(() => hotWait([COPPER], 0, 120, 65), InputError);
    assert.throws(() => hotWait([COPPER], 1, 60, 65), InputError);
  });
});

describe('a reverse-osmosis tank', () => {
  const tank = { shellGal: 4, prechargePsi: 7, fullPsi: 40 };
  const line = { tempF: 70, riseFt: 3, pieces: [{ boreIn: 0.17, lengthIn: 96, roughnessMm: 0.0015 }], appliance: { designGpm: 0.5, designPsi: 20 } };
  const { holdsGal, points } = fading(tank, line);

  it('holds what its air leaves room for, by Boyle', () => near(holdsGal, 4 * (1 - 21.696 / 54.696), 1e-4, 'gallons'));
  it('gives at each fill what its line gives at that pressure, and fades', () => {
    for (const { psi, gpm } of [points[0]!, points[50]!, points[150]!])
      near(gpm, operatingPoint({ ...line, sourcePsi: psi }).gpm, 1e-9, `${psi} psi`);
    assert.ok(
      points.every((p, i) => i === 0 || (p.gpm < points[i - 1]!.gpm && p.psi < points[i - 1]!.psi && p.seconds > points[i - 1]!.seconds)),
      'it rises',
    );
    assert.ok(points.at(-1)!.psi > 7 - 1e-6 && points.at(-1)!.drawnGal <= holdsGal + 1e-9);
  });
  it('takes the time that finer slices take', () => {
    // By the sum of slices a tenth as thick.
    const half = points.find((p) => p.drawnGal >= holdsGal / 2)!;
    let seconds = 0;
    const n = 1000;
    for (let i = 0; i < n; i++) {
      const air = 4 - holdsGal + ((i + 0.5) / n) * half.drawnGal;
      const psi = (21.69595 * 4) / air - 14.69595;
      seconds += ((half.drawnGal / n) * 60) / operatingPoint({ ...line, sourcePsi: psi }).gpm;
    }
    near(half.seconds, seconds, 1e-4, 'seconds');
  });
  it('asks nothing of the main, weak or behind a regulator', () => {
    const main = { ...line, sourcePsi: 60, running: { psi: 52, gpm: 3 }, regulatorPsi: 20 };
    assert.deepEqual(fading(tank, main), { holdsGal, points });
  });
  it('that is softer than its own air holds none', () => assert.throws(() => fading({ ...tank, fullPsi: 7 }, line), /tank\.fullPsi/));
});

describe('a supply from readings', () => {
  it('of two, standing and running, lies on both', () => {
    const { supply, offPsi } = fitSupply([
      { gpm: 0, psi: 62 },
      { gpm: 4, psi: 46 },
    ]);
    near(supply.sourcePsi, 62, 1e-9, 'static');
    near(supply.running!.psi, 46, 1e-9, 'running');
    assert.ok(offPsi < 1e-9, String(offPsi));
  });
  it('of more, off its curve, says that something bends it', () => {
    // A regulator holds 50 until the main cannot.
    const bent = fitSupply([0, 2, 4, 6].map((gpm) => ({ gpm, psi: gpm < 5 ? 50 : 22 })));
    assert.ok(
      bent.because.some((r) => r.rule === 'supply-bent'),
      'a bent curve is taken for a good one',
    );
    const straight = fitSupply([0, 2, 4, 6].map((gpm) => ({ gpm, psi: 60 - gpm * gpm })));
    assert.ok(straight.offPsi < 1e-9 && straight.because.length === 1);
  });
  it('wants two flows', () => {
    assert.throws(
      () =>
        fitSupply([
          { gpm: 2, psi: 50 },
          { gpm: 2, psi: 48 },
        ]),
      InputError,
    );
    assert.throws(() => fitSupply([{ gpm: 2, psi: 50 }]), InputError);
    assert.equal(
      fitSupply([
        { gpm: 0, psi: 50 },
        { gpm: 3, psi: 51 },
      ]).supply.running,
      undefined,
    );
  });
});
