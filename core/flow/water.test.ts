import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { waterAt } from './water.ts';

/** C, kg/m3, mPa s, kPa absolute, and the speed of sound, m/s: tables of the steam and sound formulations at one atmosphere. */
const TABLE: [tC: number, density: number, viscosity: number, vapourKPa: number, soundMS: number][] = [
  [0, 999.84, 1.792, 0.6113, 1402.4],
  [4, 999.97, 1.5674, 0.8135, 1421.6],
  [10, 999.7, 1.306, 1.2282, 1447.3],
  [20, 998.21, 1.0016, 2.3393, 1482.3],
  [25, 997.05, 0.89, 3.1699, 1496.7],
  [40, 992.22, 0.6527, 7.3849, 1528.9],
  [60, 983.2, 0.466, 19.946, 1551],
  [80, 971.8, 0.354, 47.414, 1554.5],
  [100, 958.4, 0.2816, 101.42, 1543],
];
const near = (a: number, b: number, part: number, what: string) => assert.ok(Math.abs(a / b - 1) <= part, `${what}: ${a} and ${b}`);

describe('water', () => {
  it('has the density within 0.1 % and the viscosity within 1 % of the tables, 0 to 100 C', () => {
    for (const [tC, density, viscosity] of TABLE) {
      const water = waterAt(tC * 1.8 + 32);
      near(water.density, density, 1e-3, `density at ${tC}`);
      near(water.viscosity * 1000, viscosity, 1e-2, `viscosity at ${tC}`);
    }
  });
  it('boils where it does, and carries sound as fast as the tables have it', () => {
    for (const [tC, density, , vapourKPa, soundMS] of TABLE) {
      const water = waterAt(tC * 1.8 + 32);
      near(water.vapourPa / 1000, vapourKPa, 2e-3, `vapour at ${tC}`);
      near(Math.sqrt(water.bulkPa / density), soundMS, 2e-3, `sound at ${tC}`);
    }
    near(waterAt(68).bulkPa, 2.19e9, 5e-3, 'bulk modulus at 20 C');
  });
  it('is ice or steam outside', () => {
    for (const tempF of [31.9, 212.1, 300, Number.NaN]) assert.throws(() => waterAt(tempF), InputError, String(tempF));
  });
});
