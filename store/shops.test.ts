/** Shops beside each other in one database. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import type { SubjectKind } from '../record/book/entry.ts';
import type { SentBookEntry } from '../record/book/shape.ts';
import { FIRST_SHOP } from './database/connection.ts';
import { ingestBookEntries } from './entries/book-entries.ts';
import { exportBook, importBook } from './files/book-file.ts';
import { rebuild } from './projections/index.ts';
import { readOwnMinutes } from './queries/own-minutes.ts';
import { readOwnStepMinutes } from './queries/own-step-minutes.ts';
import { premisesList } from './queries/premises.ts';
import { isNewShop, shopNow } from './queries/shop.ts';
import { beginShop, isShop, shopsHere } from './shops.ts';
import { demoDatabase, linesOf, type TestDatabase } from './testing.ts';

const AT = new Date('2026-03-10T12:00:00Z');
const OWN = uuidv7();
let db: TestDatabase;
before(async () => {
  db = await demoDatabase(AT);
});
after(() => db.end());

const said = (kind: SubjectKind, id: string, change: string, body: SentBookEntry['body']): SentBookEntry => {
  const time = AT.toISOString();
  return { id: uuidv7(), deviceId: uuidv7(), seenAt: time, sentAt: time, recordedAt: null, correctsId: null, subject: { kind, id }, change, body };
};
const names = async (shop: string) => (await premisesList(db.sql, shop, '2026-03-10', {})).premises.map((p) => p.name);
const bookOf = async (shop: string) => {
  let all = '';
  for await (const slice of exportBook(db.sql, shop)) all += slice;
  return all;
};

describe('shops beside each other', () => {
  it('one is begun once, however often it is asked for, and is empty', async () => {
    assert.equal(await isShop(db.sql, OWN), false);
    assert.deepEqual(await beginShop(db.sql, OWN, AT), { id: OWN, isNew: true });
    assert.deepEqual(await beginShop(db.sql, OWN, AT), { id: OWN, isNew: false });
    assert.equal(await isShop(db.sql, OWN), true);
    assert.deepEqual(
      (await shopsHere(db.sql)).map((s) => [s.id, s.isDemo, s.name === null]),
      [
        [OWN, false, true],
        [FIRST_SHOP, true, false],
      ],
    );
    assert.equal(await isNewShop(db.sql, OWN), true);
  });

  it('what is entered in one is not in the other, and rebuilding one leaves the other', async () => {
    const id = uuidv7();
    const answers = await ingestBookEntries(
      db.sql,
      OWN,
      [said('premises', id, 'made', { name: 'Mill house', timeZone: 'UTC' }), said('shop', OWN, 'changed', { name: 'Mill lane' })],
      AT,
    );
    assert.deepEqual(
      answers.map((a) => a.status),
      ['kept', 'kept'],
    );
    assert.deepEqual(await names(OWN), ['Mill house']);
    const demo = await names(FIRST_SHOP);
    assert.ok(demo.length > 0 && !demo.includes('Mill house'));
    await rebuild(db.sql, OWN);
    assert.deepEqual([await names(OWN), await names(FIRST_SHOP)], [['Mill house'], demo]);
    assert.equal((await shopNow(db.sql, OWN)).name, 'Mill lane');
    // What is said of the shop is said of the one it is said in, whatever it is called there.
    const [other] = await ingestBookEntries(db.sql, OWN, [said('shop', FIRST_SHOP, 'changed', { phone: '555 0188' })], AT);
    assert.equal(other!.status, 'kept');
    const { name, phone } = await shopNow(db.sql, OWN);
    assert.deepEqual([name, phone], ['Mill lane', '555 0188']);
    assert.notEqual((await shopNow(db.sql, FIRST_SHOP)).phone, '555 0188');
  });

  it('the book of one shop, taken into another, says there what it said here', async () => {
    const copy = uuidv7();
    await beginShop(db.sql, copy, AT);
    const written = await bookOf(FIRST_SHOP);
    await importBook(db.sql, copy, linesOf(written));
    assert.equal(await bookOf(copy), written);
    assert.deepEqual(await names(copy), await names(FIRST_SHOP));
    const { id: _a, ...there } = await shopNow(db.sql, copy);
    const { id: _b, ...here } = await shopNow(db.sql, FIRST_SHOP);
    assert.deepEqual(there, here);
  });
});

describe('minutes of the shop’s own visits', () => {
  it('count where one kind of work was done, and somebody said when they came and left', async () => {
    const shop = uuidv7();
    await beginShop(db.sql, shop, AT);
    const [premises, place, sink, toilet] = [uuidv7(), uuidv7(), uuidv7(), uuidv7()];
    const runs = { hot: uuidv7(), cold: uuidv7(), toilet: uuidv7() };
    const take = async (...entries: SentBookEntry[]) =>
      assert.ok((await ingestBookEntries(db.sql, shop, entries, AT)).every((a) => a.status === 'kept'));
    await take(
      said('premises', premises, 'made', { name: 'Mill house', timeZone: 'UTC' }),
      said('place', place, 'made', { premisesId: premises, name: 'Scullery' }),
      said('appliance', sink, 'made', { premisesId: premises, placeId: place, kind: 'kitchen-faucet', name: 'Sink' }),
      said('appliance', toilet, 'made', { premisesId: premises, placeId: place, kind: 'toilet', name: 'Toilet' }),
      said('run', runs.hot, 'made', { applianceId: sink, water: 'hot', name: 'Sink, hot' }),
      said('run', runs.cold, 'made', { applianceId: sink, water: 'cold', name: 'Sink, cold' }),
      said('run', runs.toilet, 'made', { applianceId: toilet, water: 'cold', name: 'Toilet' }),
    );
    const visit = async (minutes: number | null, ...works: [keyof typeof runs, string][]) => {
      const id = uuidv7();
      const at = (change: string, min: number) => ({
        ...said('visit', id, change, {}),
        seenAt: new Date(AT.getTime() - 86_400_000 + min * 60_000).toISOString(),
        sentAt: AT.toISOString(),
      });
      await take(
        said('visit', id, 'made', { premisesId: premises, onDate: '2026-03-09', startsAt: '08:00', title: 'Work' }),
        ...works.map(([run, work]) => said('visit', id, 'run-added', { runId: runs[run], work })),
        ...(minutes === null ? [] : [at('arrived', 0), at('left', minutes)]),
      );
    };
    await visit(65, ['hot', 'kitchen-faucet-lines'], ['cold', 'kitchen-faucet-lines']);
    await visit(95, ['toilet', 'toilet-line'], ['cold', 'kitchen-faucet-lines']);
    await visit(null, ['toilet', 'toilet-line']);
    await visit(700, ['toilet', 'toilet-line']);
    await visit(30, ['toilet', 'toilet-line']);
    await visit(10, ['toilet', 'toilet-line']);
    const near = (x: number) => Number(x.toFixed(6));
    assert.deepEqual(await readOwnMinutes(db.sql, shop), {
      'kitchen-faucet-lines': { n: 1, sumLn: near(Math.log(45)), sumLn2: near(Math.log(45) ** 2) },
      'toilet-line': { n: 2, sumLn: near(Math.log(10) + Math.log(5)), sumLn2: near(Math.log(10) ** 2 + Math.log(5) ** 2) },
    });
  });

  it('learns how long its own steps take, from tick to tick', async () => {
    const own = await readOwnStepMinutes(db.sql, FIRST_SHOP);
    assert.ok(own['shut-stop']!.n > 5, `${own['shut-stop']?.n}`);
    assert.equal(own['joint-washer'], undefined);
    for (const { n, sumLn } of Object.values(own)) assert.ok(Math.exp(sumLn / n) >= 0.25 && Math.exp(sumLn / n) <= 60, `${sumLn / n}`);
  });
});
