import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { branchFlow, type Stretch } from './branch.ts';
import { operatingPoint } from './operating-point.ts';

const near = (a: number, b: number, part: number, what: string) => assert.ok(Math.abs(a - b) <= part * Math.abs(b), `${what}: ${a} and ${b}`);
const tube = (boreIn: number, lengthIn: number) => ({ boreIn, lengthIn, roughnessMm: 0.0015 });
const WASHER = { designGpm: 4, designPsi: 10 };
const SINK = { designGpm: 1.75, designPsi: 8 };
const SUPPLY = { sourcePsi: 55, running: { gpm: 6, psi: 40 }, tempF: 60 };

describe('several open at once', () => {
  const line = (name: string, appliance: Stretch['appliance'], lengthIn: number, riseFt = 0): Stretch => ({
    name,
    pieces: [tube(0.4, lengthIn)],
    riseFt,
    appliance,
  });
  const house: Stretch = {
    pieces: [tube(0.545, 480)],
    riseFt: 5,
    onward: [line('washer', WASHER, 60), { pieces: [tube(0.545, 240)], riseFt: 0, onward: [line('sink', SINK, 40, 8), line('bar', SINK, 200)] }],
  };
  const answer = branchFlow({ ...SUPPLY, branch: house });

  it('each gets what its own line leaves while the others run', () => {
    const [washer, sink, bar] = answer.drawn.map((d) => d.gpm) as [number, number, number];
    near(answer.totalGpm, washer + sink + bar, 1e-9, 'sum');
    near(answer.supplyPsi, 55 - 15 * (answer.totalGpm / 6) ** 2, 1e-9, 'supply');
    for (const { name, gpm, inletPsi, aloneGpm } of answer.drawn) {
      const { designGpm, designPsi } = name === 'washer' ? WASHER : SINK;
      near(inletPsi, designPsi * (gpm / designGpm) ** 2, 1e-6, `${name} on its valve's curve`);
      assert.ok(gpm < aloneGpm, `${name} takes ${gpm}, alone ${aloneGpm}`);
    }
  });
  it('one alone is the operating point of its line', () => {
    const { drawn } = branchFlow({ ...SUPPLY, branch: { pieces: [tube(0.545, 480)], riseFt: 5, onward: [line('sink', SINK, 40, 8)] } });
    const point = operatingPoint({ ...SUPPLY, riseFt: 13, pieces: [tube(0.545, 480), tube(0.4, 40)], appliance: SINK });
    near(drawn[0]!.gpm, point.gpm, 1e-9, 'flow');
    near(drawn[0]!.inletPsi, point.inletPsi, 1e-9, 'pressure');
  });
  it('two alike at the end of one pipe get half each of what one twice as large would', () => {
    const two = branchFlow({ ...SUPPLY, branch: { pieces: [tube(0.3, 600)], riseFt: 0, onward: [line('a', SINK, 0), line('b', SINK, 0)] } });
    const one = operatingPoint({ ...SUPPLY, riseFt: 0, pieces: [tube(0.3, 600)], appliance: { designGpm: 3.5, designPsi: 8 } });
    near(two.drawn[0]!.gpm, one.gpm / 2, 1e-6, 'half');
    near(two.drawn[1]!.gpm, one.gpm / 2, 1e-6, 'half');
  });
  it('one that stands too high runs dry while the others draw, and never backwards', () => {
    const branch: Stretch = { pieces: [tube(0.3, 1200)], riseFt: 0, onward: [line('washer', WASHER, 12), line('attic', SINK, 12, 100)] };
    const { drawn } = branchFlow({ ...SUPPLY, branch });
    assert.ok(drawn[1]!.aloneGpm > 0, 'alone it would run');
    assert.equal(drawn[1]!.gpm, 0);
    assert.equal(drawn[1]!.inletPsi, 0);
  });
  it('says so where nothing is open, or too much', () => {
    assert.throws(() => branchFlow({ ...SUPPLY, branch: { pieces: [], riseFt: 0 } }), InputError);
    const many = Array.from({ length: 21 }, (_, i) => line(String(i), SINK, 12));
    assert.throws(() => branchFlow({ ...SUPPLY, branch: { pieces: [], riseFt: 0, onward: many } }), InputError);
  });
});
