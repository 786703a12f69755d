import assert from 'node:assert/strict';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import { Ajv2020 } from 'ajv/dist/2020.js';
import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { catalogue } from '../catalog/index.ts';
import { PART_COLUMNS } from '../catalog/parts.ts';
import type { Entry } from '../record/index.ts';
import { runState } from '../record/index.ts';
import { readSent } from '../record/shape.ts';
import { addDays, localDayOf } from '../record/visit/day.ts';
import { contextOf, type VisitSheet } from '../record/visit/sheet.ts';
import { FIRST_SHOP } from './database/connection.ts';
import { migrate, NewerDatabaseError, readMigrations } from './database/migrate.ts';
import { appendBook, filedBookEntry } from './entries/append-book.ts';
import { ingestBookEntries } from './entries/book-entries.ts';
import { ingestRunEntries } from './entries/run-entries.ts';
import { saveRules } from './entries/save-rules.ts';
import { CsvFileError } from './files/csv-rows.ts';
import { ImportError } from './files/import-error.ts';
import { exportVisit, importVisit, parseVisitFile, visitFileSchema } from './files/visit-file.ts';
import { CalledOffError, exportAllParts, exportParts, importParts, shopCatalogue } from './own-parts/index.ts';
import { daySheet } from './queries/day.ts';
import { ledger } from './queries/ledger.ts';
import { currentRules } from './queries/rules.ts';
import { stockedPlaces, stockOnVan } from './queries/stock.ts';
import { statesOf, visitSheet, visitsBetween } from './queries/visits.ts';
import { ensureDemo } from './seed/demo.ts';
import { type TestDatabase, testDatabase } from './testing.ts';

const AT = new Date('2026-03-10T12:00:00Z');
const TODAY = '2026-03-10';
let db: TestDatabase;
let empty: TestDatabase;

before(async () => {
  [db, empty] = await Promise.all([testDatabase(), testDatabase()]);
  await ensureDemo(db.sql, AT);
  await db.owner`insert into stock_move (shop_id, move_id, item, quantity, reason, recorded_at) values (${FIRST_SHOP}, ${uuidv7()}, 'of-before', 1, 'counted', ${AT})`;
  // A bulk load leaves the planner without figures until they are gathered.
  await db.owner`analyze`;
});
after(async () => {
  await Promise.all([db.end(), empty.end()]);
});

async function sheetOf(title: string, day = TODAY): Promise<VisitSheet> {
  const head = (await visitsBetween(db.sql, FIRST_SHOP, day, day)).find((v) => v.title === title);
  return (await visitSheet(db.sql, FIRST_SHOP, head!.id))!;
}

const entry = (sheet: VisitSheet, run: number, kind: string, body: unknown, more: Partial<Entry> = {}) =>
  ({
    id: uuidv7(),
    visitId: sheet.visit.id,
    runId: sheet.runs[run]!.id,
    jointId: null,
    checkPointId: null,
    correctsId: null,
    deviceId: uuidv7(),
    seenAt: AT.toISOString(),
    sentAt: AT.toISOString(),
    recordedAt: null,
    kind,
    body,
    ...more,
  }) as unknown as Entry & { sentAt: string };

describe('migrations', () => {
  it('do nothing a second time, on a database with data', async () => {
    assert.deepEqual(await migrate(db.url, readMigrations(join('store', 'migrations'))), []);
  });
  it('refuse a database that is newer than the program', async () => {
    await assert.rejects(migrate(db.url, []), NewerDatabaseError);
  });
  it('leave nothing behind when one fails', async () => {
    const all = readMigrations(join('store', 'migrations'));
    const bad = { number: 9999, name: 'bad', sql: 'create table half (n int); select 1/0;' };
    await assert.rejects(migrate(db.url, [...all, bad]), /division by zero/);
    const [row] = await db.owner`select to_regclass('half') as half`;
    assert.equal(row?.half, null);
  });
});

describe('append-only', () => {
  for (const [what, statement] of [
    ['update', "update entry set kind = 'noted'"],
    ['delete', 'delete from entry'],
    ['truncate', 'truncate entry cascade'],
    ['delete of a stock move', 'delete from stock_move'],
  ] as const) {
    it(`refuses ${what}, to the owner too`, async () => {
      await assert.rejects(db.owner.unsafe(statement), /appended, never changed/);
      await assert.rejects(db.sql.unsafe(statement), /permission denied/);
    });
  }
  it("keeps one shop's rows from pointing into another's", async () => {
    const other = uuidv7();
    await db.owner`insert into shop (shop_id, name) values (${other}, 'Another')`;
    const [run] = await db.owner`select run_id from run limit 1`;
    await assert.rejects(
      db.owner`insert into check_point (shop_id, check_point_id, run_id, kind, name) values (${other}, ${uuidv7()}, ${run!.run_id}, 'stem', 'x')`,
      /foreign key/,
    );
  });
});

describe('the demo', () => {
  it('has 14 or more runs in different states over at least 8 kinds of appliance around today', async () => {
    const heads = await visitsBetween(db.sql, FIRST_SHOP, addDays(TODAY, -1), addDays(TODAY, 1));
    const states = (await Promise.all(heads.map((h) => visitSheet(db.sql, FIRST_SHOP, h.id)))).flatMap((s) => statesOf(s!));
    assert.ok(states.length >= 14);
    assert.ok(new Set(states.map((s) => s.run.applianceKind)).size >= 8);
    assert.ok(new Set(states.map((s) => s.state?.stage)).size >= 6);
    assert.ok(states.some((s) => s.state?.joints.some((j) => j.finding === 'damp')));
  });
  it('has 150 past connections with checks, and a few callbacks', async () => {
    const page = await ledger(db.sql, FIRST_SHOP, {});
    assert.ok(page.total >= 150);
    assert.ok(page.callbacks >= 2 && page.callbacks <= 20, String(page.callbacks));
  });
  it('adds today and tomorrow the day after, and moves nothing past', async () => {
    const count = async () => Number((await db.owner`select count(*) as n from entry`)[0]!.n);
    const first = await count();
    assert.equal((await ensureDemo(db.sql, AT)).visitsAdded, 0);
    assert.equal(await count(), first);
    const next = await ensureDemo(db.sql, new Date(AT.getTime() + 86_400_000));
    assert.deepEqual([next.loaded, next.visitsAdded > 0], [false, true]);
    assert.ok((await visitsBetween(db.sql, FIRST_SHOP, addDays(TODAY, 2), addDays(TODAY, 2))).length > 0);
  });
  it('has rechecks of yesterday due today, and says what the van lacks', async () => {
    const sheet = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    assert.ok(sheet.rechecks.length >= 3);
    assert.ok(sheet.shortages.some((s) => s.item === 'arrestor-c38' && s.quantity > s.onVan));
  });
});

describe('keeping entries', () => {
  it('keeps the same twice as once, refuses other content under its id', async () => {
    const sheet = await sheetOf("Director's flat");
    const note = entry(sheet, 0, 'noted', { text: 'key at the gate' });
    assert.equal((await ingestRunEntries(db.sql, FIRST_SHOP, [note], AT))[0]?.status, 'kept');
    assert.equal((await ingestRunEntries(db.sql, FIRST_SHOP, [{ ...note, sentAt: new Date().toISOString() }], AT))[0]?.status, 'known');
    const [other] = await ingestRunEntries(db.sql, FIRST_SHOP, [{ ...note, body: { text: 'another' } } as typeof note], AT);
    assert.equal(other?.status === 'refused' && other.rule, 'other-content');
  });

  it('signs off once; two devices that signed both stand until one is taken back', async () => {
    const sheet = await sheetOf('Canteen kitchen');
    const body = { targetMlPerDay: 10, recheckHours: 24, exceptions: [] };
    const device = { deviceId: uuidv7() };
    const signs = [entry(sheet, 0, 'signed-off', body, device), entry(sheet, 0, 'signed-off', body, device)];
    const results = await ingestRunEntries(db.sql, FIRST_SHOP, signs, AT);
    assert.deepEqual(
      results.map((r) => (r.status === 'refused' ? r.rule : r.status)),
      ['kept', 'already-signed-off'],
    );
    await ingestRunEntries(db.sql, FIRST_SHOP, [entry(sheet, 0, 'reopened', { reason: 'the owner wants another hose' })], AT);
    await ingestRunEntries(db.sql, FIRST_SHOP, [entry(sheet, 0, 'signed-off', body), entry(sheet, 0, 'signed-off', body)], AT);
    const conflicts = async () => statesOf((await visitSheet(db.sql, FIRST_SHOP, sheet.visit.id))!)[0]!.state!.conflicts;
    const [both] = await conflicts();
    assert.equal(both?.what, 'sign-off');
    const settle = entry(sheet, 0, 'withdrawn', { reason: 'the other one stands' }, { correctsId: both!.entries[1] });
    assert.equal((await ingestRunEntries(db.sql, FIRST_SHOP, [settle], AT))[0]!.status, 'kept');
    assert.deepEqual(await conflicts(), []);
  });

  it('keeps what two devices chose that knew nothing of each other, and asks which stands; tells a device that knows', async () => {
    const sheet = await sheetOf('Canteen kitchen');
    const accepted = sheet.entries.find((e) => e.kind === 'chain-accepted' && e.runId === sheet.runs[3]!.id)!;
    const another = () => ({ ...(accepted.body as object), jointIds: [uuidv7(), uuidv7(), uuidv7()], replacesId: accepted.id });
    const device = { deviceId: uuidv7() };
    const chosen = [
      entry(sheet, 3, 'chain-accepted', another(), device),
      entry(sheet, 3, 'chain-accepted', another(), device),
      entry(sheet, 3, 'chain-accepted', another()),
    ];
    const results = await ingestRunEntries(db.sql, FIRST_SHOP, chosen, AT);
    assert.deepEqual(
      results.map((r) => (r.status === 'refused' ? r.rule : r.status)),
      ['kept', 'changed-meanwhile', 'kept'],
    );
    const { conflicts } = statesOf((await visitSheet(db.sql, FIRST_SHOP, sheet.visit.id))!)[3]!.state!;
    assert.deepEqual(conflicts, [{ what: 'chain', targetId: null, entries: [chosen[0]!.id, chosen[2]!.id] }]);
  });

  it('takes back, puts back and takes back again; what is named already is not named twice', async () => {
    const sheet = await sheetOf('Canteen kitchen');
    const stop = entry(sheet, 4, 'stop-tried', { kind: 'gate', condition: 'works' });
    const back = (of: { id: string }) => entry(sheet, 4, 'withdrawn', { reason: 'pressed by mistake' }, { correctsId: of.id });
    const take = async (e: ReturnType<typeof entry>) => {
      const [answer] = await ingestRunEntries(db.sql, FIRST_SHOP, [e], AT);
      return answer!.status === 'refused' ? answer!.rule : answer!.status;
    };
    const shown = async () => statesOf((await visitSheet(db.sql, FIRST_SHOP, sheet.visit.id))!)[4]!.state!.stop?.kind ?? null;
    const [first, second] = [back(stop), back(stop)];
    const put = back(first);
    assert.equal(await take(stop), 'kept');
    assert.deepEqual([await take(first), await shown()], ['kept', null]);
    assert.equal(await take(second), 'corrected-already');
    assert.deepEqual([await take(put), await shown()], ['kept', 'gate']);
    assert.deepEqual([await take(back(stop)), await shown()], ['kept', null]);
  });

  it('refuses what belongs to no run of the visit, and keeps the rest of the batch', async () => {
    const sheet = await sheetOf("Director's flat");
    const stray = entry(sheet, 0, 'noted', { text: 'x' }, { runId: uuidv7() });
    const results = await ingestRunEntries(db.sql, FIRST_SHOP, [stray, entry(sheet, 0, 'noted', { text: 'y' })], AT);
    assert.deepEqual(
      results.map((r) => r.status),
      ['refused', 'kept'],
    );
  });

  it('puts right what a phone with a wrong clock saw, and keeps its order', async () => {
    const sheet = await sheetOf("Director's flat");
    const off = 5 * 3_600_000;
    const device = uuidv7();
    const wrong = (kind: string, body: unknown, minutes: number) =>
      entry(sheet, 0, kind, body, {
        deviceId: device,
        seenAt: new Date(AT.getTime() + off + minutes * 60_000).toISOString(),
        sentAt: new Date(AT.getTime() + off + minutes * 60_000).toISOString(),
      });
    await ingestRunEntries(db.sql, FIRST_SHOP, [wrong('end-seen', { side: 'from', end: 'comp-3/8-m', how: 'seen' }, 0)], AT);
    await ingestRunEntries(
      db.sql,
      FIRST_SHOP,
      [wrong('end-seen', { side: 'from', end: 'comp-1/4-m', how: 'seen' }, 1)],
      new Date(AT.getTime() + 60_000),
    );
    const fresh = await sheetOf("Director's flat");
    const later = entry(
      fresh,
      0,
      'end-seen',
      { side: 'from', end: 'npt-1/2-m', how: 'seen' },
      { seenAt: new Date(AT.getTime() + 600_000).toISOString(), sentAt: new Date(AT.getTime() + 600_000).toISOString() },
    );
    await ingestRunEntries(db.sql, FIRST_SHOP, [later], new Date(AT.getTime() + 600_000));
    const last = await sheetOf("Director's flat");
    assert.equal(runState(contextOf(last.runs[0]!, catalogue()), last.entries).from?.end, 'npt-1/2-m');
  });

  it('reads no entry with an unknown end, a negative length, a name of 2 MB, or a stray field', () => {
    const base = { visit: { id: uuidv7() }, runs: [{ id: uuidv7() }] } as unknown as VisitSheet;
    const bad: [string, unknown, RegExp][] = [
      ['end-seen', { side: 'from', end: 'comp-9/9-m', how: 'seen' }, /not an end code/],
      ['distance-measured', { text: '-3', inches: -3 }, /more than 0/],
      ['noted', { text: 'x'.repeat(2_000_000) }, /longer than 2000/],
      ['joint-made', { turns24: 12, extra: 1 }, /not known/],
      ['joint-made', { turns24: 0.5 }, /24ths/],
    ];
    for (const [kind, body, said] of bad) {
      const result = readSent(entry(base, 0, kind, body));
      assert.match(result.ok ? 'it was read' : result.why, said);
    }
    assert.ok(readSent(entry(base, 0, 'noted', { text: "<b>bold</b>'; drop table entry; --" })).ok);
  });
});

describe('visit files', () => {
  it('exported, taken into an empty shop and exported again, are the same byte for byte', async () => {
    for (const title of ['Canteen kitchen', "Director's flat"]) {
      const sheet = await sheetOf(title);
      const text = (await exportVisit(db.sql, FIRST_SHOP, sheet.visit.id))!;
      const { added } = await importVisit(empty.sql, FIRST_SHOP, parseVisitFile(text), AT);
      assert.equal(added, sheet.entries.length);
      assert.equal(await exportVisit(empty.sql, FIRST_SHOP, sheet.visit.id), text);
      assert.equal((await importVisit(empty.sql, FIRST_SHOP, parseVisitFile(text), AT)).added, 0);
    }
  });

  it('obey the schema that is published', async () => {
    const sheet = await sheetOf('Canteen kitchen');
    const check = new Ajv2020({ strict: false, validateFormats: false }).compile(visitFileSchema());
    assert.ok(check(JSON.parse((await exportVisit(db.sql, FIRST_SHOP, sheet.visit.id))!)), JSON.stringify(check.errors?.slice(0, 2)));
    assert.equal(check({ format: 'something else' }), false);
  });

  it('say line or path and cause when they will not do, and change nothing', async () => {
    const text = (await exportVisit(db.sql, FIRST_SHOP, (await sheetOf('Control-room brewer')).visit.id))!;
    assert.throws(() => parseVisitFile(text.slice(0, 400)), /^ImportError: line \d+: this is not JSON/);
    const file = JSON.parse(text);
    file.entries[0].body.end = 'comp-9/9-m';
    assert.throws(
      () => parseVisitFile(JSON.stringify(file)),
      (e) => e instanceof ImportError && e.at === 'entries[0].body.end',
    );
    const stray = JSON.parse(text);
    stray.entries.at(-1).runId = uuidv7();
    const before = (await empty.owner`select (select count(*) from entry) + (select count(*) from visit) + (select count(*) from run) as n`)[0]!.n;
    await assert.rejects(importVisit(empty.sql, FIRST_SHOP, parseVisitFile(JSON.stringify(stray)), AT), ImportError);
    assert.equal(
      (await empty.owner`select (select count(*) from entry) + (select count(*) from visit) + (select count(*) from run) as n`)[0]!.n,
      before,
    );
  });

  it('say where and why of what no shape can say, never a fault of ours', async () => {
    const text = (await exportVisit(db.sql, FIRST_SHOP, (await sheetOf('Control-room brewer')).visit.id))!;
    const spoil: [RegExp, (f: ReturnType<typeof JSON.parse>) => void, RegExp][] = [
      [/^visit\.startsAt$/, (f) => { f.visit.startsAt = '99:99'; }, /00:00 to 23:59/],
      [/^visit\.onDate$/, (f) => { f.visit.onDate = '0000-01-01'; }, /1970 to 2199/],
      [/^premises\.name$/, (f) => { f.premises.name = 'a\0b'; }, /cannot be kept/],
      [/^appliances\[0\]\.kind$/, (f) => { f.appliances[0].kind = 'kettle'; }, /kettle.*catalogue/],
      [/^runs\[\d+\]\.id$/, (f) => { f.runs.push({ ...f.runs[0] }); }, /twice in the file/],
      [/^entries\[0\]\.seq$/, (f) => { f.entries[0].seq = 4e9; }, /too large/],
      [/^runs\[0\]\.applianceId$/, (f) => { f.runs[0].applianceId = uuidv7(); }, /no such appliance/],
    ]; // biome-ignore format: a table
    for (const [at, change, why] of spoil) {
      const file = JSON.parse(text);
      change(file);
      assert.throws(
        () => parseVisitFile(JSON.stringify(file)),
        (e) => e instanceof ImportError && at.test(e.at) && why.test(e.why),
        String(at),
      );
    }
    const renamed = JSON.parse(text);
    renamed.checkPoints[0].name = 'Another stem';
    await assert.rejects(
      importVisit(db.sql, FIRST_SHOP, parseVisitFile(JSON.stringify(renamed)), AT),
      (e) => e instanceof ImportError && /^checkPoints\[0\]$/.test(e.at) && /another name/.test(e.why),
    );
  });

  it('refuse to overwrite what a shop has with other content', async () => {
    const file = parseVisitFile((await exportVisit(db.sql, FIRST_SHOP, (await sheetOf('Canteen kitchen')).visit.id))!);
    file.premises.name = 'Another hill';
    await assert.rejects(importVisit(empty.sql, FIRST_SHOP, file, AT), /already with another name/);
  });
});

describe('the ledger', () => {
  it('finds by words, appliance, seal and callbacks, and takes % and _ as they are', async () => {
    const all = await ledger(db.sql, FIRST_SHOP, {});
    const toilets = await ledger(db.sql, FIRST_SHOP, { appliance: 'toilet', limit: 1000 });
    assert.ok(toilets.total > 0 && toilets.total < all.total);
    assert.ok(toilets.rows.every((r) => r.applianceKind === 'toilet'));
    assert.ok((await ledger(db.sql, FIRST_SHOP, { q: 'guest ballcock', limit: 1000 })).rows.every((r) => /Guest/.test(r.run)));
    assert.ok((await ledger(db.sql, FIRST_SHOP, { callbacks: 'only' })).rows.every((r) => r.callbacks > 0));
    assert.ok((await ledger(db.sql, FIRST_SHOP, { seal: 'push-small' })).rows.every((r) => r.seals.includes('push-small')));
    assert.equal((await ledger(db.sql, FIRST_SHOP, { q: '%' })).total, 0);
    assert.equal((await ledger(db.sql, FIRST_SHOP, { q: "'; drop table entry; --" })).total, 0);
  });
});

describe('days', () => {
  it('are local', () => {
    assert.equal(localDayOf(new Date('2026-03-10T02:00:00Z'), 'Etc/GMT+7'), '2026-03-09');
    assert.equal(addDays('2026-02-28', 1), '2026-03-01');
  });
});

describe('own parts', () => {
  const header = PART_COLUMNS.join(',');
  const row = (id: string, more: Record<string, string> = {}) => {
    const cells: Record<string, string> = {
      id,
      name: `part ${id}`,
      kind: 'adapter',
      ends: 'a=comp-3/8-f@either b=comp-1/4-m@either',
      flexible: 'no',
      cut_to_length: 'no',
      length_in: '1.4',
      max_length_in: '',
      waters: 'cold hot',
      max_psi: '200',
      max_f: '180',
      potable: 'yes',
      price_cents: '480',
      cents_per_ft: '',
      minutes: '2',
      material: 'brass',
      tags: 'brass',
      van: '0',
      ...more,
    };
    return PART_COLUMNS.map((c) => cells[c]).join(',');
  };
  const file = (...rows: string[]) => `${[header, ...rows].join('\r\n')}\r\n`;

  it('come out as they went in, formulas made safe, and are matched with', async () => {
    const text = file(
      row('own-1', { name: '"a ""3/8"" adapter, short"' }),
      row('own-2', { name: '"\'=2+3"' }),
      row('own-3', { price_cents: '0', van: '4' }),
    );
    assert.deepEqual((await importParts(empty.sql, FIRST_SHOP, Buffer.from(text), AT)).parts, 3);
    assert.equal(await exportParts(empty.sql, FIRST_SHOP), text);
    const shop = await shopCatalogue(empty.sql, FIRST_SHOP);
    assert.equal(shop.parts.find((p) => p.id === 'own-2')?.name, '=2+3');
    assert.equal((await stockOnVan(empty.sql, FIRST_SHOP))['own-3'], 4);
    const again = await importParts(empty.sql, FIRST_SHOP, Buffer.from(file(row('own-1'))), AT);
    assert.equal(again.revision, 2);
    assert.equal(
      (await shopCatalogue(empty.sql, FIRST_SHOP)).parts.some((p) => p.id === 'own-2'),
      false,
    );
  });

  it('come out with the shipped ones as a file that is taken in again', async () => {
    const all = await exportAllParts(empty.sql, FIRST_SHOP);
    const before = await shopCatalogue(empty.sql, FIRST_SHOP);
    assert.deepEqual(
      Papa.parse<{ id: string }>(all, { header: true, skipEmptyLines: true }).data.map((r) => r.id),
      before.parts.map((p) => p.id),
    );
    const own = await exportParts(empty.sql, FIRST_SHOP);
    const stock = await stockOnVan(empty.sql, FIRST_SHOP);
    await importParts(empty.sql, FIRST_SHOP, Buffer.from(all), AT);
    assert.equal(await exportParts(empty.sql, FIRST_SHOP), all);
    assert.deepEqual((await shopCatalogue(empty.sql, FIRST_SHOP)).parts, before.parts);
    assert.deepEqual(await stockOnVan(empty.sql, FIRST_SHOP), stock);
    await importParts(empty.sql, FIRST_SHOP, Buffer.from(own), AT);
  });

  it('taken in once more count nothing anew; a number that is changed is a count', async () => {
    const text = file(row('van-1', { van: '4' }));
    await importParts(empty.sql, FIRST_SHOP, Buffer.from(text), AT);
    const van = (await stockedPlaces(empty.sql, FIRST_SHOP)).find((p) => p.kind === 'van')!.id;
    const use = (quantity: number) =>
      empty.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('stock', van, 'used', { item: 'van-1', quantity, reason: 'used' }, AT)]));
    await use(3);
    await importParts(empty.sql, FIRST_SHOP, Buffer.from(await exportParts(empty.sql, FIRST_SHOP)), AT);
    assert.equal((await stockOnVan(empty.sql, FIRST_SHOP))['van-1'], 1);
    // More went out than was ever counted in: a count is what is there, not what was missing too.
    await use(6);
    assert.equal((await stockOnVan(empty.sql, FIRST_SHOP))['van-1'], 0);
    await importParts(empty.sql, FIRST_SHOP, Buffer.from(file(row('van-1', { van: '2' }))), AT);
    assert.equal((await stockOnVan(empty.sql, FIRST_SHOP))['van-1'], 2);
    await importParts(empty.sql, FIRST_SHOP, Buffer.from(file(row('own-1'))), AT);
  });

  it('are all taken or none: every fault by line and column', async () => {
    const before = await exportParts(empty.sql, FIRST_SHOP);
    const text = file(row('x-1'), row('x-2', { ends: 'a=comp-9/9-f@either b=comp-1/4-m@either' }), row('x-1'), row('x-3', { price_cents: '-4' }));
    await assert.rejects(importParts(empty.sql, FIRST_SHOP, Buffer.from(text), AT), (e) => {
      assert.ok(e instanceof CsvFileError);
      assert.deepEqual(
        e.faults.map((f) => [f.line, f.column]),
        [
          [3, 'ends'],
          [4, 'id'],
          [5, 'price_cents'],
        ],
      );
      return true;
    });
    await assert.rejects(importParts(empty.sql, FIRST_SHOP, Buffer.from('id,name\r\na,b\r\n'), AT), /column is missing|kind/);
    assert.equal(await exportParts(empty.sql, FIRST_SHOP), before);
  });

  it('take 20,000 rows, and nothing when called off half-way', async () => {
    const many = file(...Array.from({ length: 20_000 }, (_, i) => row(`m-${i}`)));
    let seen = 0;
    const calledOff = importParts(
      empty.sql,
      FIRST_SHOP,
      Buffer.from(many),
      AT,
      ({ step, done }) => {
        if (step === 'keeping') seen = done;
      },
      () => seen >= 5000,
    );
    await assert.rejects(calledOff, CalledOffError);
    assert.equal((await exportParts(empty.sql, FIRST_SHOP)).split('\r\n').length, 3);
    assert.equal((await importParts(empty.sql, FIRST_SHOP, Buffer.from(many), AT)).parts, 20_000);
    assert.equal(await exportParts(empty.sql, FIRST_SHOP), many);
  });
});

describe('house rules', () => {
  it('are said in the book: what differs, with its reason; of two who change the same rule the later stands, and both are shown', async () => {
    const { version, rules } = await currentRules(empty.sql, FIRST_SHOP);
    assert.equal(version, 0);
    assert.equal(await saveRules(empty.sql, FIRST_SHOP, { ...rules, push: 'never' }, 'two callbacks last year', AT), 1);
    const now = await currentRules(empty.sql, FIRST_SHOP);
    assert.deepEqual([now.version, now.rules.push, now.reason], [1, 'never', 'two callbacks last year']);
    const said = (at: Date, body: object) => ({
      ...filedBookEntry('rules', FIRST_SHOP, 'changed', body as never, at, { deviceId: uuidv7() }),
      sentAt: new Date(later.getTime() + 2000).toISOString(),
      recordedAt: null,
    });
    const later = new Date(AT.getTime() + 60_000);
    const two = [
      said(later, { rules: { push: 'where listed' }, reason: 'rated ones hold' }),
      said(new Date(later.getTime() + 1000), { rules: { push: 'where reachable' }, reason: 'in sight' }),
    ];
    for (const entry of two) await ingestBookEntries(empty.sql, FIRST_SHOP, [entry], new Date(later.getTime() + 2000));
    const both = await currentRules(empty.sql, FIRST_SHOP);
    assert.deepEqual([both.version, both.rules.push, both.rules.threadSealant], [3, 'where reachable', rules.threadSealant]);
    assert.deepEqual(
      both.conflicts.map((c) => [c.field, c.values]),
      [['push', ['where listed', 'where reachable']]],
    );
    const nothing = await ingestBookEntries(empty.sql, FIRST_SHOP, [said(later, { rules: {}, reason: 'no' })], later);
    assert.deepEqual(
      nothing.map((a) => a.status),
      ['refused'],
    );
  });
});
