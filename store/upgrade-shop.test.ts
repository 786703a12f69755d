/** A house that an older program left: its database, a device's store and its files are brought up, and read as they did. */
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import { gunzipSync } from 'node:zlib';
import postgres from 'postgres';
import { catalogue } from '../catalog/index.ts';
import { readSentBook } from '../record/book/shape.ts';
import type { AcceptedChain } from '../record/index.ts';
import { recordRows } from '../record/visit/record-rows.ts';
import { connect, FIRST_SHOP, type Sql } from './database/connection.ts';
import { migrate, readMigrations } from './database/migrate.ts';
import { ingestBookEntries } from './entries/book-entries.ts';
import { exportShop, importShop } from './files/shop-file.ts';
import { importVisit, parseVisitFile } from './files/visit-file.ts';
import { importWater, parseWaterFile } from './files/water-file.ts';
import { pictureOf } from './images/pictures.ts';
import { exportParts, shopCatalogue } from './own-parts/index.ts';
import { rebuild } from './projections/index.ts';
import { currentRules } from './queries/rules.ts';
import { stockedPlaces } from './queries/stock.ts';
import { visitHeads, visitSheets } from './queries/visits.ts';
import { emptyDatabase, linesOf, tablesOf, testDatabase } from './testing.ts';
import { upgradeShop } from './upgrade-shop.ts';

const FOLDER = join('store', 'fixtures', 'migration-10');
const packed = (name: string): string => gunzipSync(readFileSync(join(FOLDER, `${name}.gz`))).toString('utf8');
const ids = JSON.parse(readFileSync(join(FOLDER, 'ids.json'), 'utf8'));
const AT = new Date(ids.at);
const SHOPS = [FIRST_SHOP, ids.other as string];

interface Told {
  shops: Record<
    string,
    {
      told: { visit: string; rows: object[] }[];
      rules: { rules: object; version: number; reason: string; recordedAt: string };
      ownParts: string;
      stock: object[];
    }
  >;
}
const told = JSON.parse(packed('told.json')) as Told;

let sql: Sql;
let owner: Sql;
before(async () => {
  const url = await emptyDatabase();
  const admin = postgres(url, { max: 1, onnotice: () => {} });
  await admin.unsafe(`do $$ begin create role brass_nut_app nologin; exception when duplicate_object or unique_violation then null; end $$`);
  await admin.unsafe(packed('database.sql'));
  await admin.end();
  assert.deepEqual(await migrate(url, readMigrations(join('store', 'migrations'))).then((n) => n[0]), 11);
  sql = connect(url, 2);
  owner = postgres(url, { max: 1, onnotice: () => {} });
  for (const shop of SHOPS) await upgradeShop(sql, shop);
});
after(() => Promise.all([sql.end(), owner.end()]));

const whole = async (slices: AsyncIterable<string>) => {
  let text = '';
  for await (const slice of slices) text += slice;
  return text;
};

async function toldNow(shop: string) {
  const visits = told.shops[shop]!.told.map((t) => t.visit);
  const sheets = await visitSheets(sql, shop, await visitHeads(sql, shop, visits));
  const byId = new Map(sheets.map((s) => [s.visit.id, recordRows(s, catalogue())]));
  return visits.map((visit) => ({ visit, rows: byId.get(visit)!.map((row) => ({ ...row })) }));
}

describe('a database of before', () => {
  for (const shop of SHOPS) {
    const name = shop === FIRST_SHOP ? 'the first shop' : 'the other shop';
    it(`tells every entry as before: ${name}`, async () => assert.deepEqual(await toldNow(shop), told.shops[shop]!.told));
    it(`has the rules, parts and stock it had: ${name}`, async () => {
      const { rules, ownParts, stock } = told.shops[shop]!;
      const now = await currentRules(sql, shop);
      const { rules: inForce, version, reason, recordedAt } = now;
      // What the house is asked since is as it usually is.
      assert.deepEqual(
        { rules: inForce, version, reason, recordedAt },
        { ...rules, rules: { ...rules.rules, proof: 'day', oldFerrule: 'sleeve puller' } },
      );
      assert.equal(await exportParts(sql, shop), ownParts);
      assert.deepEqual(await stockedPlaces(sql, shop), stock);
    });
    it(`derives the same step by step and anew: ${name}`, async () => {
      const stepwise = await tablesOf(owner, shop);
      await rebuild(sql, shop);
      assert.deepEqual(await tablesOf(owner, shop), stepwise);
    });
  }
  it('keeps every entry, each with its digest, and nothing of an erased contact', async () => {
    const lines = packed('shop-first.jsonl')
      .trimEnd()
      .split('\n')
      .map((l) => JSON.parse(l));
    const [n] = await owner`select count(*)::int as n, count(digest)::int as digests from entry where shop_id = ${FIRST_SHOP}`;
    const entries = lines.filter((l) => 'book' in l || 'run' in l).length;
    assert.deepEqual([n!.n, n!.digests], [entries + 2 + 3, entries + 5]);
    assert.doesNotMatch(await whole(exportShop(sql, FIRST_SHOP)), /555 017/);
    assert.ok(await pictureOf(sql, FIRST_SHOP, ids.picture, true));
  });
  it('goes out as a file without a sentence that a program made, and in and out again the same', async () => {
    const file = await whole(exportShop(sql, FIRST_SHOP));
    const empty = await testDatabase();
    try {
      await importShop(empty.sql, FIRST_SHOP, linesOf(file));
      assert.equal(await whole(exportShop(empty.sql, FIRST_SHOP)), file);
      assert.deepEqual(await currentRules(empty.sql, FIRST_SHOP), await currentRules(sql, FIRST_SHOP));
    } finally {
      await empty.end();
    }
  });
  it('has the parts of a chain by the names they were accepted with', async () => {
    const [row] = await owner<{ body: AcceptedChain }[]>`select body from entry where run_id = ${ids.cold} and kind = 'chain-accepted'`;
    assert.ok(Object.values(row!.body.items).every((i) => i.name));
    assert.ok((await shopCatalogue(sql, FIRST_SHOP)).ownIds.length === 3);
  });
});

describe('files of before', () => {
  it('of a shop are taken into an empty one', async () => {
    for (const [name, shop] of [
      ['shop-first.jsonl', FIRST_SHOP],
      ['shop-other.jsonl', ids.other],
    ] as const) {
      const empty = await testDatabase();
      try {
        const counts = await importShop(empty.sql, FIRST_SHOP, linesOf(packed(name)));
        assert.deepEqual([counts.rules, counts.parts], shop === FIRST_SHOP ? [2, 3] : [0, 0]);
        const { rules } = await currentRules(empty.sql, FIRST_SHOP);
        assert.deepEqual(rules, { ...told.shops[shop]!.rules.rules, proof: 'day', oldFerrule: 'sleeve puller' });
        assert.equal(await exportParts(empty.sql, FIRST_SHOP), told.shops[shop]!.ownParts);
        const places = await stockedPlaces(empty.sql, FIRST_SHOP);
        assert.deepEqual(places, told.shops[shop]!.stock);
      } finally {
        await empty.end();
      }
    }
  });
  it('of a visit and of the water of a premises read too', async () => {
    const empty = await testDatabase();
    try {
      const file = parseVisitFile(packed('visit.json'));
      const { added } = await importVisit(empty.sql, FIRST_SHOP, file, AT);
      assert.equal(added, file.entries.length);
      const premises = ids.quillback as string;
      const made = readSentBook({
        id: ids.visit,
        deviceId: ids.visit,
        seenAt: ids.at,
        sentAt: ids.at,
        recordedAt: null,
        correctsId: null,
        subject: { kind: 'premises', id: premises },
        change: 'made',
        body: { name: 'Hill', timeZone: 'UTC' },
      });
      assert.ok(made.ok);
      assert.equal((await ingestBookEntries(empty.sql, FIRST_SHOP, [made.entry], AT))[0]!.status, 'kept');
      const water = parseWaterFile(packed('water.json'));
      assert.deepEqual(await importWater(empty.sql, FIRST_SHOP, premises, water, AT), { things: water.things.length });
    } finally {
      await empty.end();
    }
  });
});
