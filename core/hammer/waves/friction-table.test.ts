import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { bored, lossPa } from '../../flow/piece.ts';
import { waterAt } from '../../flow/water.ts';
import { frictionTable, LAST_STEP, lookedUp } from './friction-table.ts';

const WATER = waterAt(60);
const REACH = bored([{ boreIn: 0.545, lengthIn: 3, roughnessMm: 0.0015 }])[0]!;
const RAN = 2 * 6.30902e-5;

describe('friction looked up', () => {
  const table = frictionTable(REACH, RAN, WATER);
  it('is what the reach loses, within a part in a thousand, from a tenth of what ran to twice that', () => {
    for (let part = 0.1; part <= 2; part += 0.0137) {
      const [got, wanted] = [lookedUp(table, part * RAN), lossPa(REACH, part * RAN, WATER)];
      assert.ok(Math.abs(got / wanted - 1) < 1e-3, `${part}: ${got} and ${wanted}`);
    }
  });
  it('is nothing at rest, and rises all the way', () => {
    assert.equal(lookedUp(table, 0), 0);
    for (let i = 1; i < table.pa.length; i++) assert.ok(table.pa[i]! > table.pa[i - 1]!, `step ${i}`);
  });
  it('goes on beyond its end', () => {
    const end = LAST_STEP * table.stepM3S;
    assert.ok(lookedUp(table, 1.2 * end) > lookedUp(table, end));
  });
});
