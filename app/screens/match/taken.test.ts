import '../../testing.ts';
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import Papa from 'papaparse';
import { catalogue } from '../../../catalog/index.ts';
import { defaultRules, type ListLine, type Part } from '../../../core/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';
import { answerTo, firstAnswer, queryOf } from './answer.ts';
import { demandsOf } from './demands.ts';
import { inShort } from './in-short.ts';
import { questionTyped } from './question.ts';
import { csvOf, entriesFor, nameOf } from './take-entries.ts';

const shipped = catalogue();
const shop = {
  ...shipped,
  rules: defaultRules,
  places: [],
  stock: Object.fromEntries([...shipped.parts.map((p) => [p.id, 2]), ...shipped.loose.map((l) => [l.code, 5])]),
} as unknown as ClientCatalogue;
const asked = (text: string) => questionTyped(text, defaultRules);

describe('a question of the bench', () => {
  it('is not asked before both ends are known and its figures read', () => {
    assert.equal(queryOf({ ...asked('3/8 comp to toilet'), to: null }, shop), null);
    assert.equal(queryOf({ ...asked('3/8 comp to toilet'), length: 'far' }, shop), null);
    assert.ok(queryOf(asked('3/8 comp to toilet'), shop));
  });

  it('off the van alone leaves out what does not lie there', () => {
    const query = queryOf({ ...asked('3/8 comp to toilet'), vanOnly: true }, { ...shop, stock: { 'con-toilet-c38-12': 1 } })!;
    assert.deepEqual(
      [...(query.parts as Part[])].map((p) => p.id),
      ['con-toilet-c38-12'],
    );
    assert.ok(
      query.loose!.every((l) => !l.code.startsWith('cap-')),
      'a cap that is not there closes nothing',
    );
  });

  it('is answered with no more of the catalogue than it shows, and in a line', () => {
    const first = firstAnswer(asked('3/8 comp to toilet, 14 in'), shop)!;
    assert.deepEqual(first.result.chains, answerTo(queryOf(asked('3/8 comp to toilet, 14 in'), shop)!, shop.appliances).chains);
    const shown = new Set(first.result.chains.flatMap((c) => c.parts));
    assert.deepEqual(new Set(first.parts.map((p) => p.id)), shown);
    assert.ok(Object.keys(first.names).length < shop.parts.length / 4);
    assert.match(inShort(first), /^braided toilet connector.*, \$\d+\.\d\d, all on the van$/);
    assert.equal(inShort({ ...first, result: { ...first.result, chains: [] } }), 'No chain: see why');
    const [best] = first.result.chains;
    assert.match(
      inShort({ ...first, result: { ...first.result, chains: [{ ...best!, parts: [], offVan: ['x'] }] } }),
      /^the two ends by themselves, .*, 1 to buy$/,
    );
  });

  it('says what was understood besides the ends, and each can be left out', () => {
    const q = asked('hot 1/2 copper to brewer with a check valve at 60 psi, 6 ft, no push, no plastic, hidden');
    const all = demandsOf(q, { ...defaultRules, push: 'where reachable' }, 'inch');
    assert.deepEqual(
      all.map((d) => d.words),
      ['hot water', 'its own stop, as usual', 'reaches 72 in', 'stops backflow', 'walled in', 'holds 60 psi', 'push fittings never', 'no plastic'],
    );
    const left = Object.assign({ ...q }, ...all.map((d) => d.off)) as typeof q;
    assert.deepEqual(demandsOf(left, { ...defaultRules, push: 'where reachable' }, 'inch'), []);
    assert.deepEqual(
      demandsOf(asked('3/8 comp to toilet at 60 psi'), defaultRules, 'metric').map((d) => d.words),
      ['holds 4.1 bar'],
    );
    assert.deepEqual(
      demandsOf(asked('1/2 copper to toilet'), defaultRules, 'inch').map((d) => d.words),
      ['its own stop, as usual'],
    );
  });
});

describe('a chain that is taken', () => {
  it('is kept with its ends, its distance and its place, each once, as if entered at the run', () => {
    const q = queryOf(asked('3/8 comp to toilet, 14 in, hidden'), shop)!;
    const [chain] = answerTo({ ...q, need: { ...q.need, reachable: true } }, shop.appliances).chains;
    const target = { visitId: 'v', runId: 'r', name: 'Toilet', acceptedId: 'before', deviceId: 'phone' };
    const entries = entriesFor(target, chain!, q, shop);
    assert.deepEqual(
      entries.map((e) => e.kind),
      ['end-seen', 'end-seen', 'end-seen', 'distance-measured', 'place-seen', 'chain-accepted'],
    );
    assert.ok(entries.every((e) => e.visitId === 'v' && e.runId === 'r' && e.deviceId === 'phone'));
    assert.deepEqual(entries[3]!.body, { text: '14', inches: 14 });
    const accepted = entries.at(-1)!.body as { replacesId: string; jointIds: string[]; items: object };
    assert.equal(accepted.replacesId, 'before');
    assert.equal(new Set(accepted.jointIds).size, chain!.joints.length);
    assert.deepEqual(new Set(Object.keys(accepted.items)), new Set([...chain!.parts, ...Object.keys(chain!.loose)]));
    const bare = queryOf(asked('3/8 comp to toilet'), shop)!;
    assert.ok(!entriesFor(target, chain!, bare, shop).some((e) => e.kind === 'distance-measured'), 'no distance was said');
  });

  it('is a table for any spreadsheet, with what is cut in what the device goes by, and no cell that runs', () => {
    const lines: ListLine[] = [
      { item: 'coil-pe14', name: 'polyethylene coil, 1/4 OD', count: 1, eachCents: 1250, cutLengthIn: 84, toBuy: 0 },
      { item: 'x', name: '=HYPERLINK("x")', count: 2, eachCents: 5, toBuy: 2 },
    ] as never;
    assert.equal(nameOf(lines[0]!, 'metric'), 'polyethylene coil, 1/4 OD, cut to 2.13 m');
    const rows = Papa.parse<Record<string, string>>(csvOf(lines, 'inch'), { header: true }).data;
    assert.deepEqual(rows[0], { count: '1', item: 'coil-pe14', name: 'polyethylene coil, 1/4 OD, cut to 84 in', price_each: '12.50', to_buy: '0' });
    assert.ok(rows[1]!.name!.startsWith("'="));
  });
});
