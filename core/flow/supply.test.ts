import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../errors.ts';
import { fitSupply, supplyCurve, supplyPa } from './supply.ts';

const [PSI, GPM] = [6894.757293168, 6.30901964e-5];
const left = (supply: Parameters<typeof supplyCurve>[0], gpm: number) => supplyPa(supplyCurve(supply), gpm * GPM) / PSI;

describe('what a house’s water gives', () => {
  it('goes through both readings, and falls by the square between and beyond', () => {
    const main = { sourcePsi: 62, running: { gpm: 4, psi: 46 } };
    for (const [gpm, psi] of [
      [0, 62],
      [2, 58],
      [4, 46],
      [6, 26],
    ] as const)
      assert.ok(Math.abs(left(main, gpm) - psi) < 1e-6, `${gpm} gpm: ${left(main, gpm)}`);
  });
  it('read standing alone does not fall', () => assert.ok(Math.abs(left({ sourcePsi: 62 }, 8) - 62) < 1e-9));
  it('behind a regulator is its setting until the main itself is under it', () => {
    const weak = { sourcePsi: 80, running: { gpm: 4, psi: 64 }, regulatorPsi: 50 };
    for (const [gpm, psi] of [
      [0, 50],
      [4, 50],
      [5, 50],
      [6, 44],
    ] as const)
      assert.ok(Math.abs(left(weak, gpm) - psi) < 1e-6, `${gpm} gpm: ${left(weak, gpm)}`);
  });
  it('of any main is found again from readings of it, however many', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 120, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.uniqueArray(fc.integer({ min: 0, max: 8 }), { minLength: 2, maxLength: 6 }),
        (standing, fall, flows) => {
          const readings = flows.map((gpm) => ({ gpm, psi: Math.max(0, standing - fall * gpm * gpm) })).filter((r) => r.psi > 0);
          fc.pre(readings.length >= 2);
          const { supply, offPsi, because } = fitSupply(readings);
          assert.ok(offPsi < 1e-6, String(offPsi));
          for (const { gpm, psi } of readings) assert.ok(Math.abs(left(supply, gpm) - psi) < 1e-6, `${gpm} gpm`);
          assert.deepEqual(
            because.map((r) => r.rule),
            ['supply-fit'],
          );
        },
      ),
    );
  });
  it('refuses what no main does, with the field', () => {
    for (const [bad, field] of [
      [{ sourcePsi: -1 }, 'sourcePsi'],
      [{ sourcePsi: 60, running: { gpm: 0, psi: 50 } }, 'running.gpm'],
      [{ sourcePsi: 60, running: { gpm: 2, psi: 61 } }, 'running.psi'],
      [{ sourcePsi: 60, regulatorPsi: 0 }, 'regulatorPsi'],
    ] as const) {
      assert.throws(
        () => supplyCurve(bad),
        (fault: InputError) => fault instanceof InputError && fault.field === field,
        field,
      );
    }
  });
});
