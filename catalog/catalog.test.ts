import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { z } from 'zod';
import { usualSourcesTable } from '../core/ask/usual-sources.table.ts';
import { inletsTable } from '../core/ends/tables/inlets.table.ts';
import { threads } from '../core/ends/tables/threads.ts';
import { tubeJoints } from '../core/ends/tables/tube-joints.ts';
import { tubes } from '../core/ends/tables/tubes.ts';
import { seals } from '../core/index.ts';
import { nutFlatsTable } from '../core/make/nut-flats.table.ts';
import { matchChains } from '../core/match/chains.ts';
import { indexParts } from '../core/match/search/catalogue-index.ts';
import { CatalogueError, readCsv } from './csv.ts';
import { inletsOf } from './generate-core-tables.ts';
import { catalogue } from './index.ts';
import { readNutFlats, readSeals, readThreads, readTubeJoints, readTubes } from './tables.ts';
import { readUsualSources } from './usual-sources.ts';

describe('the catalogue', () => {
  it("is what the core's frozen tables were made from", () => {
    assert.deepEqual(threads, readThreads());
    assert.deepEqual(tubes, readTubes());
    assert.deepEqual(seals, readSeals());
    assert.deepEqual(tubeJoints, readTubeJoints());
    assert.deepEqual(nutFlatsTable, readNutFlats());
    assert.deepEqual(inletsTable, inletsOf());
    assert.deepEqual(usualSourcesTable, readUsualSources());
  });
  it('names a usual source for what there is', () => {
    const known = ['*', ...catalogue().appliances.map((a) => a.id)];
    for (const { appliance, say } of readUsualSources()) assert.ok(known.includes(appliance), `${appliance}: ${say}`);
  });

  it('every appliance’s usual line begins with a shape that lines begin with, whose bore is said', () => {
    const { appliances, losses } = catalogue();
    for (const { name, usualLine } of appliances) {
      const row = losses.find((r) => r.id === usualLine.stop);
      assert.ok(row?.begins && row.boreIn && row.lengthIn, `${name}: ${usualLine.stop}`);
      assert.ok(tubes.some((t) => t.id === usualLine.tube) && usualLine.lengthIn > 0, `${name}: ${usualLine.tube}`);
    }
    assert.ok(
      losses.filter((r) => r.begins).every((r) => r.boreIn !== null),
      'a shape that begins a line has no bore',
    );
  });

  it('has at least 300 parts that index, each potable, rated and priced', () => {
    const { parts } = catalogue();
    assert.ok(parts.length >= 300);
    indexParts(parts);
    for (const p of parts) assert.ok(p.maxPsi > 0 && p.maxF > 0 && p.priceCents > 0 && p.waters.length > 0, p.id);
  });

  it('prices every loose piece that its own joints can take', () => {
    const { parts, loose, appliances } = catalogue();
    const priced = new Set(loose.map((l) => l.code));
    for (const to of new Set(appliances.flatMap((a) => a.usualInletEnds))) {
      const { chains } = matchChains({ from: 'comp-3/8-m', to, parts, loose, need: { water: 'cold', minLengthIn: 12 } });
      for (const c of chains) for (const code of Object.keys(c.loose)) assert.ok(priced.has(code), `${code} has no price`);
    }
  });

  for (const [appliance, to, inches] of [
    ['toilet', 'bc-7/8-m', 10],
    ['basin-faucet', 'npsm-1/2-m', 14],
    ['basin-faucet', 'm-10x1-f', 14],
    ['refrigerator', 'comp-1/4-m', 60],
    ['refrigerator', 'ptc-1/4od', 60],
    ['dishwasher', 'ght-3/4-m', 52],
    ['dishwasher', 'npt-3/8-f', 52],
  ] as const) {
    it(`joins a 3/8 stop to the ${appliance}'s ${to}`, () => {
      const { parts, loose } = catalogue();
      const [best] = matchChains({ from: 'comp-3/8-m', to, parts, loose, need: { water: 'cold', minLengthIn: inches } }).chains;
      assert.ok(best?.joints.every((j) => j.mating.verdict === 'seals'));
    });
  }

  /** Where water is usually taken from: stops, tube, threaded stubs, tees, the wall box, a reverse-osmosis tube, a manifold. */
  const SOURCES = [
    'comp-3/8-m', 'comp-1/4-m', 'cu-5/8od', 'cu-7/8od', 'pex-5/8od', 'pex-7/8od', 'cpvc-5/8od', 'cpvc-7/8od', 'npt-1/2-m', 'npt-3/4-m',
    'ptc-5/8od', 'cup-5/8od', 'ght-3/4-m', 'pe-1/4od', 'pe-3/8od', 'crimp-5/8od', 'expand-5/8od',
  ]; // biome-ignore format: one list
  it('joins every usual source to every inlet, cold or hot', () => {
    const { parts, loose, appliances } = catalogue();
    for (const a of appliances) {
      for (const to of a.usualInletEnds) {
        for (const from of SOURCES) {
          const water = a.water.includes('hot') && !/^(pe|pb)-/.test(from) && !/^(pe|pb)-/.test(to) ? ('hot' as const) : ('cold' as const);
          const { chains, unreachable } = matchChains({ from, to, parts, loose, k: 1, need: { water } });
          assert.ok(
            chains[0]?.joints.every((j) => j.mating.verdict === 'seals'),
            `${from} to ${a.id} ${to}: ${unreachable?.[0]?.text ?? 'marginal'}`,
          );
        }
      }
    }
  });

  it('gives parts ids and names of their own', () => {
    const { parts } = catalogue();
    assert.equal(new Set(parts.map((p) => p.name)).size, parts.length);
  });

  it('names line and column of a row that does not read', () => {
    const row = z.object({ id: z.string(), price: z.string().regex(/^\d+$/, 'wants a whole number') });
    assert.throws(
      () => readCsv('x.csv', 'id,price\na,1\nb,two\n', row),
      (e) => e instanceof CatalogueError && e.line === 3 && e.column === 'price',
    );
  });
});
