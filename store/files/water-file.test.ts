import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import { byChance, chanceOf } from '../../core/shut/testing.ts';
import { networkOf } from '../../record/premises/water.ts';
import { FIRST_SHOP } from '../database/connection.ts';
import { appendBook, filedBookEntry } from '../entries/append-book.ts';
import { premisesWhole } from '../queries/premises.ts';
import { type TestDatabase, testDatabase } from '../testing.ts';
import { ImportError } from './import-error.ts';
import { exportWater, importWater, parseWaterFile, type WaterFile } from './water-file.ts';

const AT = new Date('2026-03-10T12:00:00Z');
let db: TestDatabase;
before(async () => {
  db = await testDatabase();
});
after(() => db.end());

async function house(name: string): Promise<string> {
  const id = uuidv7();
  await db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('premises', id, 'made', { name, timeZone: 'UTC' }, AT)]));
  return id;
}
const file = (things: unknown[], more: object = {}): string =>
  JSON.stringify({ format: 'brass-nut-water', version: 1, premises: 'House', things, ...more });
const S = { what: 'place', id: 's', kind: 'source', heightFt: 0 };
const X = { what: 'place', id: 'x', kind: 'outlet', heightFt: 3, name: 'Sink' };
const fault = (text: string): string => {
  try {
    parseWaterFile(text);
  } catch (error) {
    if (error instanceof ImportError) return error.message;
    throw error;
  }
  return 'taken';
};

describe('a file of the water', () => {
  it('is told what is wrong with it, and where', () => {
    assert.equal(fault(file([S, X])), 'taken');
    assert.match(fault('{'), /JSON/);
    assert.match(fault(file([S], { format: 'other' })), /format: is not a file of the water/);
    assert.match(fault(file([S, S])), /^s: the id is used twice/);
    assert.match(fault(file([S, { what: 'pipe', id: 'p', a: 's', b: 'y', boreIn: 0.5, lengthFt: 3 }])), /^p: "p" leads to "y", which is no place/);
    assert.match(fault(file([S, { what: 'pipe', id: 'p', a: 's', b: 's', boreIn: 0.5, lengthFt: 3 }])), /begins and ends at "s"/);
    assert.match(fault(file([S, { ...X, heightFt: 'high' }])), /things\[1\]\.heightFt|things\.1\.heightFt/);
    assert.match(fault(file([S, { ...X, what: 'boat' }])), /things/);
    assert.match(fault(file([{ ...S, id: 'a\u0000b' }])), /NUL|kept|text/i);
  });
  it('is the same when it comes out again, however large, and is drawn over what is there', async () => {
    const net = byChance(chanceOf(5), { places: 300, valves: 150, loops: 20 });
    const things = [
      ...net.valves.map((v) => ({ what: 'valve', ...v })),
      ...net.pipes.map((p) => ({ what: 'pipe', ...p })),
      ...net.places.map((p) => ({ what: 'place', ...p })),
    ];
    const [first, second] = [await house('One'), await house('One')];
    const given = parseWaterFile(file(things)) as WaterFile;
    assert.deepEqual(await importWater(db.sql, FIRST_SHOP, first, given, AT), { things: things.length });
    const out = (await exportWater(db.sql, FIRST_SHOP, first))!;
    await importWater(db.sql, FIRST_SHOP, second, parseWaterFile(out), AT);
    assert.equal(await exportWater(db.sql, FIRST_SHOP, second), out);
    const { water } = (await premisesWhole(db.sql, FIRST_SHOP, second))!.premises;
    assert.deepEqual(networkOf(water), { places: net.places, pipes: net.pipes, valves: net.valves });
    await importWater(db.sql, FIRST_SHOP, second, parseWaterFile(file([{ ...X, id: 'p1' }])), AT);
    assert.equal(((await premisesWhole(db.sql, FIRST_SHOP, second))!.premises.water.find((t) => t.id === 'p1') as typeof X).name, 'Sink');
    assert.equal(await importWater(db.sql, FIRST_SHOP, uuidv7(), given, AT), null);
    assert.equal(await exportWater(db.sql, FIRST_SHOP, uuidv7()), null);
  });
});
