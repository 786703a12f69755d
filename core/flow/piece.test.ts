import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../errors.ts';
import { bored, lossPa, type Piece, reynoldsOf, speedFtS } from './piece.ts';
import { waterAt } from './water.ts';

const GPM = 6.30902e-5;
const WATER = waterAt(60);
const HALF: Piece = { boreIn: 0.545, lengthIn: 1200, roughnessMm: 0.0015 };
const psi = (piece: Piece, gpm: number) => lossPa(bored([piece])[0]!, gpm * GPM, WATER) / 6894.757;

describe('what a piece takes off', () => {
  it('of a hundred feet of half-inch copper is what Hazen and Williams give with C = 140, within 8 % at usual flows', () => {
    for (const gpm of [3, 4, 5, 6]) {
      const lost = (452 * gpm ** 1.852) / (140 ** 1.852 * 0.545 ** 4.87);
      assert.ok(Math.abs(psi(HALF, gpm) / lost - 1) < 0.08, `${gpm} gpm: ${psi(HALF, gpm)} and ${lost}`);
    }
  });
  it('in smooth tube is Blasius’, within 4 %', () => {
    const smooth = { ...HALF, roughnessMm: 0 };
    const [p] = bored([smooth]) as [ReturnType<typeof bored>[number]];
    for (const gpm of [1, 2, 5, 10]) {
      const [re, speed] = [reynoldsOf(p, gpm * GPM, WATER), (gpm * GPM) / p.areaM2];
      const lost = ((0.3164 / re ** 0.25) * p.lengthM * WATER.density * speed ** 2) / (2 * p.boreM) / 6894.757;
      assert.ok(Math.abs(psi(smooth, gpm) / lost - 1) < 0.04, `${gpm} gpm: ${psi(smooth, gpm)} and ${lost}`);
    }
  });
  it('in slow, laminar flow is Poiseuille’s', () => {
    const [p] = bored([HALF]) as [ReturnType<typeof bored>[number]];
    const flow = 0.05 * GPM;
    assert.ok(reynoldsOf(p, flow, WATER) < 2300, 'not laminar');
    const poiseuille = (128 * WATER.viscosity * p.lengthM * flow) / (Math.PI * p.boreM ** 4);
    assert.ok(Math.abs(lossPa(p, flow, WATER) / poiseuille - 1) < 1e-9);
  });
  it('of a shape alone is its k times the velocity head', () => {
    const [p] = bored([{ ...HALF, lengthIn: 0, k: 5 }]) as [ReturnType<typeof bored>[number]];
    const speed = (2 * GPM) / p.areaM2;
    assert.ok(Math.abs(lossPa(p, 2 * GPM, WATER) / ((5 * WATER.density * speed ** 2) / 2) - 1) < 1e-12);
    assert.ok(Math.abs(speedFtS(p, 2 * GPM) * 0.3048 - speed) < 1e-12);
  });
  it('grows with flow, length, roughness and shape, and falls with the bore', () => {
    fc.assert(
      fc.property(
        fc.record({
          boreIn: fc.double({ min: 0.17, max: 1, noNaN: true }),
          lengthIn: fc.double({ min: 1, max: 2000, noNaN: true }),
          roughnessMm: fc.double({ min: 0, max: 0.15, noNaN: true }),
          k: fc.double({ min: 0, max: 20, noNaN: true }),
        }),
        fc.double({ min: 0.02, max: 12, noNaN: true }),
        (piece, gpm) => {
          const lost = psi(piece, gpm);
          assert.ok(lost > 0, 'nothing is lost');
          assert.ok(psi(piece, gpm * 1.05) > lost, 'flow');
          assert.ok(psi({ ...piece, lengthIn: piece.lengthIn * 1.1 }, gpm) > lost, 'length');
          assert.ok(psi({ ...piece, k: piece.k + 1 }, gpm) > lost, 'shape');
          assert.ok(psi({ ...piece, roughnessMm: piece.roughnessMm + 0.02 }, gpm) >= lost, 'roughness');
          assert.ok(psi({ ...piece, boreIn: piece.boreIn * 1.1 }, gpm) < lost, 'bore');
        },
      ),
    );
  });
  it('is nothing where nothing flows', () => assert.equal(psi(HALF, 0), 0));
  it('of what is no piece is refused, with the piece and the field', () => {
    for (const [bad, field] of [
      [{ ...HALF, boreIn: 0 }, 'pieces[1].boreIn'],
      [{ ...HALF, boreIn: Number.NaN }, 'pieces[1].boreIn'],
      [{ ...HALF, lengthIn: -1 }, 'pieces[1].lengthIn'],
      [{ ...HALF, roughnessMm: 9 }, 'pieces[1].roughnessMm'],
      [{ ...HALF, boreIn: 0.01, roughnessMm: 0.1 }, 'pieces[1].roughnessMm over its bore'],
      [{ ...HALF, k: -2 }, 'pieces[1].k'],
    ] as const) {
      assert.throws(
        () => bored([HALF, bad]),
        (fault: InputError) => fault instanceof InputError && fault.field === field,
        field,
      );
    }
    assert.throws(() => bored(Array.from({ length: 501 }, () => HALF)), InputError);
  });
});
