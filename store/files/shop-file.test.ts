/** A whole shop out as a file, into an empty shop, and out again. */
import assert from 'node:assert/strict';
import { createHash } from 'node:crypto';
import { after, before, describe, it } from 'node:test';
import Ajv from 'ajv/dist/2020.js';
import Papa from 'papaparse';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { PART_COLUMNS } from '../../catalog/parts.ts';
import { defaultRules } from '../../core/house/rules.ts';
import { FIRST_SHOP, type Sql } from '../database/connection.ts';
import { saveRules } from '../entries/save-rules.ts';
import { takePiece } from '../images/pictures.ts';
import { importParts } from '../own-parts/index.ts';
import { dueList } from '../queries/due.ts';
import { ledger } from '../queries/ledger.ts';
import { beginShop } from '../shops.ts';
import { demoDatabase, linesOf, type TestDatabase, testDatabase } from '../testing.ts';
import { ImportError } from './import-error.ts';
import { entriesCsv, jointsCsv } from './record-csv.ts';
import { exportShop, importShop, shopFileSchema } from './shop-file.ts';

const AT = new Date('2026-04-14T12:00:00Z');
let db: TestDatabase;
let file: string;
/** First line of a file of the first version, which had house rules and own parts apart. */
const OF_BEFORE = '{"format":"brass-nut-shop","version":1}\n';

const whole = async (slices: AsyncIterable<string>) => {
  let text = '';
  for await (const slice of slices) text += slice;
  return text;
};
const out = (sql: Sql) => whole(exportShop(sql, FIRST_SHOP));
const takeIn = (sql: Sql, text: string) => importShop(sql, FIRST_SHOP, linesOf(text));

before(async () => {
  db = await demoDatabase(AT);
  await saveRules(db.sql, FIRST_SHOP, { ...defaultRules, threadSealant: 'paste' }, 'Worn threads in the old wing', AT);
  await saveRules(db.sql, FIRST_SHOP, { ...defaultRules, dueMonths: { stop: 6 } }, 'Back to tape; hard water', AT);
  const cells: Record<string, string> = Object.fromEntries(PART_COLUMNS.map((c) => [c, '']));
  Object.assign(cells, {
    id: 'own-hose',
    name: '=hose, "ours"',
    kind: 'connector',
    ends: 'a=comp-3/8-f@either b=npsm-1/2-f@either',
    flexible: 'yes',
    cut_to_length: 'no',
    length_in: '17',
    waters: 'cold hot',
    max_psi: '125',
    max_f: '140',
    potable: 'yes',
    price_cents: '700',
    minutes: '5',
    tags: 'hose',
    van: '2',
  });
  await importParts(db.sql, FIRST_SHOP, new TextEncoder().encode(Papa.unparse([cells])), AT);
  const picture = await sharp({ create: { width: 8, height: 6, channels: 3, background: '#884422' } })
    .png()
    .toBuffer();
  const id = createHash('sha256').update(picture).digest('hex');
  await takePiece(db.sql, FIRST_SHOP, { id, at: 0, size: picture.length, content: picture }, AT);
  file = await out(db.sql);
});
after(() => db.end());

describe('a shop as a file', () => {
  it('comes out of an empty shop it was taken into the same byte for byte, with the same ledger and the same due list', async () => {
    const empty = await testDatabase();
    try {
      const counts = await takeIn(empty.sql, file);
      assert.deepEqual([counts.rules, counts.parts, counts.pictures], [2, 1, 1]);
      assert.equal(await out(empty.sql), file);
      const everything = { limit: 1000 };
      assert.deepEqual(await ledger(empty.sql, FIRST_SHOP, everything), await ledger(db.sql, FIRST_SHOP, everything));
      const due = { ahead: 4000, limit: 2000 };
      assert.deepEqual(await dueList(empty.sql, FIRST_SHOP, AT, due), await dueList(db.sql, FIRST_SHOP, AT, due));
      for (const table of [
        'derived_run',
        'derived_joint',
        'derived_duty',
        'ledger_line',
        'stock_level',
        'derived_use',
        'follow_up',
        'visit',
        'premises',
        'check_point',
      ]) {
        const rows = (of: TestDatabase) => of.owner.unsafe(`select to_jsonb(t) - 'made' as t from ${table} t order by to_jsonb(t)::text`);
        assert.deepEqual(await rows(empty), await rows(db), table);
      }
    } finally {
      await empty.end();
    }
  });

  it('goes into a shop that was begun beside it, of the same ids, and comes out of that the same', async () => {
    const beside = uuidv7();
    await beginShop(db.sql, beside, AT);
    await importShop(db.sql, beside, linesOf(file));
    assert.equal(await whole(exportShop(db.sql, beside)), file);
    assert.equal(await out(db.sql), file, 'the first shop is as it was');
    const pages = await Promise.all([FIRST_SHOP, beside].map((id) => ledger(db.sql, id, { limit: 1000 })));
    assert.deepEqual(pages[1], pages[0]);
  });

  it('has lines that the published schema holds', () => {
    const ajv = new Ajv({ strict: false, formats: { uuid: true, 'date-time': true, date: true, time: true, base64: true } });
    const holds = ajv.compile(shopFileSchema());
    const kinds = new Map<string, unknown[]>();
    for (const line of file
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l) as Record<string, unknown>)) {
      const [kind] = Object.keys(line) as [string];
      kinds.set(kind, [...(kinds.get(kind) ?? []), line]);
    }
    assert.deepEqual([...kinds.keys()].sort(), ['book', 'format', 'picture', 'run']);
    for (const [kind, lines] of kinds)
      for (const line of lines.slice(0, 40)) assert.ok(holds(line), `${kind}: ${JSON.stringify(holds.errors?.slice(0, 2))}`);
    assert.ok(!holds({ run: { id: 'x' } }), 'the schema takes what is no entry');
  });

  it('is taken into nothing but an empty shop, whole or not at all, and the fault is named by its line', async () => {
    const is = (place: RegExp) => (error: unknown) => error instanceof ImportError && place.test(error.at) && error.why.length > 5;
    await assert.rejects(takeIn(db.sql, file), is(/^the shop$/));
    const lines = file.trimEnd().split('\n');
    const last = lines.length;
    const broken: [string, RegExp][] = [
      ['', /^line 1$/],
      ['{"format":"something-else","version":1}', /^line 1, format$/],
      [lines.slice(1).join('\n'), /^line 1$/],
      [`${file}{"cat":1}`, new RegExp(`^line ${last + 1}$`)],
      [`${file}{"run":`, new RegExp(`^line ${last + 1}$`)],
      [`${file}${lines.at(-1)}`, /^line \d+ to (line \d+|the end)$/],
      [`${file}{"run":{"id":"x"}}`, new RegExp(`^line ${last + 1}, `)],
      [lines.filter((l) => !l.startsWith('{"book"')).join('\n'), /^line \d+ to (line \d+|the end)$/],
      [`${OF_BEFORE}{"rules":{"version":2,"rules":{},"reason":"x","recordedAt":"2026-01-01T00:00:00.000Z"}}\n`, /^line 2, version$/],
      [`${OF_BEFORE}{"part":{"id":"x","cells":{}}}\n`, /^line 2$/],
      [file.replace('{"picture":{"id":"', '{"picture":{"id":"zz'), /picture/],
    ];
    const empty = await testDatabase();
    try {
      for (const [text, place] of broken) await assert.rejects(takeIn(empty.sql, text), is(place), String(place));
      const [count] = await empty.owner<{ n: number }[]>`select (select count(*) from entry) + (select count(*) from picture) as n`;
      assert.equal(Number(count!.n), 0, 'something of a broken file was kept');
      await takeIn(empty.sql, file.replaceAll('\n', '\r\n').replace(/\r\n$/, ''));
      assert.equal(await out(empty.sql), file, 'line ends of another system');
    } finally {
      await empty.end();
    }
  });

  it('is a table of entries and one of joints too, in which no cell runs as a formula', async () => {
    const entries = Papa.parse<Record<string, string>>(await whole(entriesCsv(db.sql, FIRST_SHOP)), { header: true, skipEmptyLines: true }).data;
    const [count] = await db.owner<{ n: number; j: number }[]>`select (select count(*) from entry where shop_id = ${FIRST_SHOP})::int as n,
        (select count(*) from derived_joint join ledger_line using (shop_id, visit_id, run_id) where shop_id = ${FIRST_SHOP})::int as j`;
    assert.equal(entries.length, count!.n);
    assert.ok(entries.every((e) => typeof JSON.parse(e.body!) === 'object'));
    const joints = Papa.parse<Record<string, string>>(await whole(jointsCsv(db.sql, FIRST_SHOP)), { header: true, skipEmptyLines: true }).data;
    assert.equal(joints.length, count!.j);
    assert.ok(
      joints.every((j) => /^J\d$/.test(j.joint!) && j.seal !== '' && Number.isFinite(Number(j.turns))),
      JSON.stringify(joints[0]),
    );
  });
});
