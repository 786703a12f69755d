import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { type FlowLine, operatingPoint } from './operating-point.ts';

const near = (a: number, b: number, part: number, what: string) => assert.ok(Math.abs(a - b) <= part * Math.abs(b) + 1e-12, `${what}: ${a} and ${b}`);

/** A die that falls alike every time. */
function die(seed: number): (low: number, high: number) => number {
  let s = seed;
  return (low, high) => {
    s = (s * 1664525 + 1013904223) % 4294967296;
    return low + ((high - low) * s) / 4294967296;
  };
}

/**
 * The same by other means: feet, pounds and seconds, halving alone, the factor by trying; water at 60 F from the handbooks (62.37 lb/ft3, 1.21e-5 ft2/s).
 */
function byHalving(line: FlowLine): number {
  const [weight, nu, g] = [62.366, 1.2075e-5, 32.174];
  const left = (gpm: number) => {
    const cfs = gpm / 448.8312;
    return line.pieces.reduce(
      (psi, p) => {
        const feet = p.boreIn / 12;
        const speed = cfs / ((Math.PI / 4) * feet * feet);
        const re = (speed * feet) / nu;
        let f = 64 / Math.max(re, 1e-9);
        if (re > 4000) {
          f = 0.03;
          for (let i = 0; i < 60; i++) f = (-2 * Math.log10(p.roughnessMm / 304.8 / feet / 3.7 + 2.51 / (re * Math.sqrt(f)))) ** -2;
        }
        const heads = (f * p.lengthIn) / 12 / feet + (p.k ?? 0);
        return psi - (heads * speed * speed * weight) / (2 * g) / 144;
      },
      line.sourcePsi - (line.riseFt * weight) / 144,
    );
  };
  const kv = line.appliance.designGpm / Math.sqrt(line.appliance.designPsi);
  let [low, high] = [0, 200];
  for (let i = 0; i < 200; i++) {
    const gpm = (low + high) / 2;
    if (left(gpm) > (gpm / kv) ** 2) low = gpm;
    else high = gpm;
  }
  return Math.min(low, line.appliance.capGpm ?? Number.POSITIVE_INFINITY);
}

const BASE: FlowLine = {
  sourcePsi: 60,
  tempF: 60,
  riseFt: 0,
  pieces: [{ boreIn: 0.545, lengthIn: 360, roughnessMm: 0.0015 }],
  appliance: { designGpm: 3, designPsi: 20 },
};

describe('an operating point', () => {
  it('is what an independent solver finds, on 200 lines of any make', () => {
    const roll = die(7);
    let compared = 0;
    while (compared < 200) {
      const line: FlowLine = {
        sourcePsi: roll(20, 120),
        tempF: 60,
        riseFt: roll(-20, 30),
        pieces: Array.from({ length: 1 + Math.floor(roll(0, 6)) }, () => ({
          boreIn: roll(0.15, 1),
          lengthIn: roll(0, 600),
          roughnessMm: roll(0, 0.15),
          k: roll(0, 6),
        })),
        appliance: { designGpm: roll(0.3, 6), designPsi: roll(8, 35), ...(roll(0, 1) < 0.3 ? { capGpm: roll(0.3, 3) } : {}) },
      };
      const point = operatingPoint(line);
      // Between laminar and turbulent there is no one answer to compare with.
      if (point.reynolds.some((re) => re > 2200 && re < 4100)) continue;
      near(point.gpm, byHalving(line), 5e-3, JSON.stringify(line));
      compared++;
    }
  });
  it('loses by its pieces, its height and its supply what is missing at the inlet', () => {
    const p = operatingPoint({ ...BASE, riseFt: 10, running: { gpm: 5, psi: 45 } });
    const lost = p.losses.reduce((sum, l) => sum + l.psi, 0);
    near(p.supplyPsi - p.risePsi - lost, p.inletPsi, 1e-9, 'balance');
    near(p.risePsi, 4.331, 2e-3, 'ten feet of water');
    near(p.supplyPsi, 60 - 15 * (p.gpm / 5) ** 2, 1e-9, 'supply');
    near(p.inletPsi, 20 * (p.gpm / 3) ** 2, 1e-6, 'valve');
    assert.equal(p.verdict, p.inletPsi < 20 ? 'weak' : 'enough');
  });
  it('is held by the appliance’s own regulator, and by the house’s', () => {
    const capped = operatingPoint({ ...BASE, appliance: { ...BASE.appliance, capGpm: 1.2 } });
    assert.ok(capped.isCapped, 'is not capped');
    near(capped.gpm, 1.2, 1e-12, 'cap');
    assert.ok(capped.inletPsi > 50, 'the pressure that is not used stands at the inlet');
    const strong = operatingPoint({ ...BASE, sourcePsi: 120 });
    const regulated = operatingPoint({ ...BASE, sourcePsi: 120, regulatorPsi: 60 });
    assert.ok(strong.gpm > regulated.gpm, 'a regulator that holds nothing');
    near(regulated.gpm, operatingPoint(BASE).gpm, 1e-9, 'as a supply of 60');
    // A main that falls under what the regulator is set to is no stronger for it.
    const weak = { sourcePsi: 70, running: { gpm: 3, psi: 25 } };
    near(operatingPoint({ ...BASE, ...weak, regulatorPsi: 60 }).gpm, operatingPoint({ ...BASE, ...weak }).gpm, 1e-9, 'a weak main behind it');
  });
  it('tells what is wrong: weak, too much standing, heard, nothing at all', () => {
    const rules = (line: Partial<FlowLine>) => operatingPoint({ ...BASE, ...line }).because.map((r) => r.rule);
    assert.deepEqual(rules({}), ['flow-crossing']);
    assert.ok(rules({ pieces: [{ boreIn: 0.17, lengthIn: 600, roughnessMm: 0 }] }).includes('flow-weak'));
    assert.ok(rules({ sourcePsi: 95 }).includes('flow-over'));
    assert.ok(!rules({ sourcePsi: 95, appliance: { ...BASE.appliance, maxPsi: 120 } }).includes('flow-over'));
    const fast = { pieces: [{ boreIn: 0.3, lengthIn: 24, roughnessMm: 0 }], appliance: { designGpm: 5, designPsi: 10 } };
    assert.ok(rules(fast).includes('flow-noise'));
    const none = operatingPoint({ ...BASE, riseFt: 200 });
    assert.deepEqual([none.gpm, none.inletPsi, none.verdict, none.because[0]!.rule], [0, 0, 'none', 'flow-none']);
  });
  it('refuses what is no line, with the field and what to do', () => {
    const bad: [Partial<FlowLine>, RegExp][] = [
      [{ pieces: [{ boreIn: 0, lengthIn: 1, roughnessMm: 0 }] }, /pieces\[0\]\.boreIn/],
      [{ pieces: [{ boreIn: 0.5, lengthIn: -1, roughnessMm: 0 }] }, /pieces\[0\]\.lengthIn/],
      [{ pieces: [{ boreIn: 0.05, lengthIn: 1, roughnessMm: 1 }] }, /over its bore/],
      [{ tempF: 300 }, /tempF/],
      [{ sourcePsi: Number.NaN }, /sourcePsi/],
      [{ running: { gpm: 2, psi: 80 } }, /running\.psi/],
      [{ appliance: { designGpm: 0, designPsi: 20 } }, /designGpm/],
      [{ riseFt: 1e9 }, /riseFt/],
      [{ pieces: Array.from({ length: 501 }, () => BASE.pieces[0]!) }, /pieces/],
    ];
    for (const [line, said] of bad)
      assert.throws(
        () => operatingPoint({ ...BASE, ...line }),
        (e: Error) => e instanceof InputError && said.test(e.message),
        String(said),
      );
  });
});
