/** What is derived step by step is what is derived anew, and what a process remembers is what it would read: whatever happened, in whatever batches. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import { subjects } from '../record/book/subjects.ts';
import { kinds } from '../record/kinds.ts';
import { RandomShop, type Take } from '../record/random-shop.testing.ts';
import { answersOf } from './answers.testing.ts';
import { connect, type Sql } from './database/connection.ts';
import { ingestBookEntries } from './entries/book-entries.ts';
import { ingestRunEntries } from './entries/run-entries.ts';
import { rebuild } from './projections/index.ts';
import { chance } from './seed/random.ts';
import { type TestDatabase, tablesOf, testDatabase } from './testing.ts';

/** SEQUENCES=2000 for the long run. */
const MANY = Number(process.env.SEQUENCES ?? 16);
const STEPS = 45;

let db: TestDatabase;
const tally = new Map<string, number>();
before(async () => {
  db = await testDatabase();
});
after(() => db.end());

describe('what is derived', () => {
  it(`is what was recorded, in ${MANY} random histories`, async () => {
    for (let seed = 1; seed <= MANY; seed++) await holdsFor(Number(process.env.SEED ?? 0) || seed);
  });

  it('was tried with every kind and every change, each taken at least once in a longer run', () => {
    const all = [...kinds.map((k) => k.name), ...subjects.flatMap((s) => Object.keys(s.changes).map((c) => `${s.name} ${c}`))];
    const unread = [...tally.keys()].filter((k) => k.includes(': unread'));
    assert.deepEqual(unread, [], 'the generator makes what does not read');
    if (process.env.TALLY) for (const [what, n] of [...tally].sort()) console.log(what, n);
    if (MANY < 200) return;
    assert.deepEqual(
      all.filter((what) => !tally.has(`${what}: kept`)),
      [],
      'never taken',
    );
  });
});

const taking =
  (sql: Sql, shopId: string): Take =>
  ({ isBook, entries }, now) =>
    isBook
      ? ingestBookEntries(sql, shopId, entries as Parameters<typeof ingestBookEntries>[2], now)
      : ingestRunEntries(sql, shopId, entries as Parameters<typeof ingestRunEntries>[2], now);

async function holdsFor(seed: number): Promise<void> {
  const shopId = uuidv7();
  await db.owner`insert into shop (shop_id, name) values (${shopId}, 'Random')`;
  const shop = new RandomShop(shopId, chance(seed), taking(db.sql, shopId));
  await shop.begin();
  for (let n = 0; n < STEPS; n++) {
    await shop.step();
    // Everything that may be remembered is.
    if (n % 9 === 0) await answersOf(db.sql, shopId, shop.now);
  }
  await shop.end();
  for (const [what, n] of shop.tally) tally.set(what, (tally.get(what) ?? 0) + n);
  const fresh = connect(db.url, 2);
  try {
    const [warm, cold, tables] = [
      await answersOf(db.sql, shopId, shop.now),
      await answersOf(fresh, shopId, shop.now),
      await tablesOf(db.owner, shopId),
    ];
    assert.deepEqual(warm, cold, `remembered, seed ${seed}`);
    await rebuild(db.sql, shopId);
    assert.deepEqual(await tablesOf(db.owner, shopId), tables, `tables, seed ${seed}`);
    assert.deepEqual(await answersOf(db.sql, shopId, shop.now), cold, `answers, seed ${seed}`);
  } finally {
    await fresh.end();
  }
}
