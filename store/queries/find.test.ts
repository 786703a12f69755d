import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { catalogue } from '../../catalog/index.ts';
import { THE_SHOP } from '../connection.ts';
import { ensureDemo } from '../seed/demo.ts';
import { type TestDatabase, testDatabase } from '../testing.ts';
import { find } from './find.ts';
import { ledger } from './ledger.ts';

const AT = new Date('2026-05-20T12:00:00Z');
const TODAY = '2026-05-20';
let db: TestDatabase;
before(async () => {
  db = await testDatabase();
  await ensureDemo(db.sql, AT);
  await db.owner`analyze`;
});
after(() => db.end());

const found = (q: string) => find(db.sql, THE_SHOP, q, TODAY, catalogue());
const kinds = async (q: string) => [...new Set((await found(q)).map((f) => f.kind))];

describe('one search', () => {
  it('finds premises, what stands there, visits, parts and connections, each where all words are', async () => {
    assert.deepEqual((await found('quillback')).filter((f) => f.kind === 'premises').map((f) => f.name), ['Quillback Hill Observatory']); // biome-ignore format: one line
    assert.ok((await kinds('ice maker')).includes('appliance'));
    assert.ok((await kinds('director')).includes('visit'));
    const parts = (await found('arrestor 3/8 compression')).filter((f) => f.kind === 'part');
    assert.ok(parts.length > 0 && parts.every((p) => p.name.includes('arrestor') && p.href.startsWith('/stock?find=')));
    const [washer] = (await found('lodge washer')).filter((f) => f.kind === 'connection');
    assert.match(washer!.href, /^\/ledger\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/);
  });

  it('finds nothing for a letter, for signs, and for words that are nowhere', async () => {
    for (const q of ['', ' ', 'a', '%%', '__', 'zither nowhere', '\\']) assert.deepEqual(await found(q), [], q);
  });
});

describe('the ledger by day, premises and finding', () => {
  it('each narrows it, and together they fit what each fits', async () => {
    const all = await ledger(db.sql, THE_SHOP, { limit: 500 });
    const days = all.rows.map((r) => r.onDate).sort();
    const [from, to] = [days[Math.floor(days.length / 3)]!, days[Math.floor((2 * days.length) / 3)]!];
    const between = await ledger(db.sql, THE_SHOP, { from, to, limit: 500 });
    assert.equal(between.total, days.filter((d) => d >= from && d <= to).length);
    assert.ok(between.total > 0 && between.total < all.total);
    const damp = await ledger(db.sql, THE_SHOP, { finding: 'damp', limit: 500 });
    assert.ok(damp.total > 0 && damp.total < all.total);
    const [row] = damp.rows;
    const looks =
      await db.owner`select 1 from entry where visit_id = ${row!.visitId} and run_id = ${row!.runId} and kind = 'look-ended' and body ->> 'finding' = 'damp'`;
    assert.ok(looks.length > 0);
    const [house] = await db.owner<{ premises_id: string }[]>`select premises_id from premises`;
    assert.equal((await ledger(db.sql, THE_SHOP, { premises: house!.premises_id })).total, all.total);
    assert.equal((await ledger(db.sql, THE_SHOP, { premises: row!.visitId })).total, 0);
  });
});
