/** Faults that were found once: each would come back here first. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import type { BookEntry, SubjectKind } from '../record/book/entry.ts';
import { readSentBook, type SentBookEntry } from '../record/book/shape.ts';
import { connect, FIRST_SHOP } from './database/connection.ts';
import { OtherProgramError } from './database/shop-transaction.ts';
import { writeAnew } from './database/write-anew.ts';
import { ingestBookEntries } from './entries/book-entries.ts';
import { CsvFileError } from './files/csv-rows.ts';
import { importPremises } from './files/premises-file.ts';
import { importWater, parseWaterFile } from './files/water-file.ts';
import { stockAnswer } from './queries/stock.ts';
import { type TestDatabase, testDatabase } from './testing.ts';

const AT = new Date('2026-03-10T12:00:00Z');
const minutes = (n: number): Date => new Date(AT.getTime() + n * 60_000);
let db: TestDatabase;
before(async () => {
  db = await testDatabase();
});
after(() => db.end());

const said = (kind: SubjectKind, id: string, change: string, body: BookEntry['body'], seen: Date = AT, sent: Date = seen): SentBookEntry => ({
  id: uuidv7(),
  deviceId: uuidv7(),
  personId: null,
  seenAt: seen.toISOString(),
  sentAt: sent.toISOString(),
  recordedAt: null,
  correctsId: null,
  subject: { kind, id },
  change,
  body,
});
const take = (entries: SentBookEntry[], at: Date = AT) => ingestBookEntries(db.sql, FIRST_SHOP, entries, at);
async function house(body: object = {}): Promise<string> {
  const id = uuidv7();
  const [answer] = await take([said('premises', id, 'made', { name: 'House', timeZone: 'UTC', ...body })]);
  assert.equal(answer!.status, 'kept');
  return id;
}
const statuses = (answers: { status: string }[]) => answers.map((a) => a.status);

describe('many who write at once', () => {
  it('all come through: a water file against changes of the same premises', async () => {
    const id = await house();
    const things = Array.from({ length: 60 }, (_, i) => ({ what: 'place', id: `p${i}`, kind: 'outlet', heightFt: i }));
    const file = parseWaterFile(JSON.stringify({ format: 'brass-nut-water', version: 1, premises: 'House', things }));
    const work = Array.from({ length: 40 }, (_, i) =>
      i % 2 === 0
        ? importWater(db.sql, FIRST_SHOP, id, file, minutes(i)).then(() => 'kept')
        : take([said('premises', id, 'changed', { access: `Door ${i}` })], minutes(i)).then((answers) => answers[0]!.status),
    );
    assert.deepEqual([...new Set(await Promise.all(work))], ['kept']);
  });
});

describe('a shop in which nothing was done yet', () => {
  it('takes all that come at once: none is told that the program changes', async () => {
    const fresh = await testDatabase();
    await fresh.owner`delete from derivation`;
    const many = connect(fresh.url, 8);
    const made = () => said('premises', uuidv7(), 'made', { name: 'House', timeZone: 'UTC' });
    const answers = await Promise.allSettled(Array.from({ length: 12 }, () => ingestBookEntries(many, FIRST_SHOP, [made()], AT)));
    await Promise.all([many.end(), fresh.end()]);
    assert.deepEqual([...new Set(answers.map((a) => (a.status === 'fulfilled' ? a.value[0]!.status : String(a.reason))))], ['kept']);
  });
});

describe('one entry that will not do', () => {
  it('is refused alone, wherever the database finds it: in its text, in its number, in what it names', async () => {
    const [a, b] = [uuidv7(), uuidv7()];
    const named = (id: string, name: string) => said('premises', id, 'made', { name, timeZone: 'UTC' });
    const batch = [named(a, 'Good'), named(uuidv7(), 'NUL \0'), { ...named(uuidv7(), 'Number'), seq: 2 ** 40 }, named(b, 'Also good')];
    assert.deepEqual(statuses(await take(batch)), ['kept', 'refused', 'refused', 'kept']);
    const rows = await db.owner`select name from premises where premises_id = any(${[a, b]}::uuid[]) order by name`;
    assert.deepEqual(
      rows.map((r) => r.name),
      ['Also good', 'Good'],
    );
  });
  it('leaves nothing of what followed from it', async () => {
    const id = await house();
    const place = uuidv7();
    const bad = said('premises', id, 'changed', { name: 'Bad \0' });
    const good = said('place', place, 'made', { premisesId: id, name: 'Kitchen' });
    assert.deepEqual(statuses(await take([bad, good])), ['refused', 'kept']);
    const [row] = await db.owner`select name, search from premises where premises_id = ${id}`;
    assert.deepEqual([row!.name, row!.search], ['House', 'house kitchen']);
  });
});

describe('time zones', () => {
  it('are those that browsers, Node and the database all know', async () => {
    const made = (timeZone: string) => readSentBook(said('premises', uuidv7(), 'made', { name: 'House', timeZone })).ok;
    for (const zone of ['AET', 'CST', 'IST', 'US/Pacific-New', 'Canada/East-Saskatchewan', 'GMT+5', '+05:00', 'Europe/Nowhere'])
      assert.equal(made(zone), false, zone);
    const named = [...Intl.supportedValuesOf('timeZone'), 'UTC', 'GMT', 'EST', 'Zulu', 'US/Eastern'];
    for (const zone of named) assert.equal(made(zone), true, zone);
    const rows = await db.owner`select zone from unnest(${named}::text[]) as n (zone) where (now() at time zone zone) is null`;
    assert.equal(rows.length, 0);
  });
});

describe('a second van', () => {
  it('is in its table, and told by a process that remembers the stock of before', async () => {
    const names = async () => (await stockAnswer(db.sql, FIRST_SHOP)).places.map((p) => p.name);
    const [first, second] = [uuidv7(), uuidv7()];
    await take([said('stock', first, 'place-made', { name: 'Van', kind: 'van' })]);
    assert.deepEqual(await names(), ['Van']);
    await take([said('stock', second, 'place-made', { name: 'Small van', kind: 'van' })]);
    assert.deepEqual(await names(), ['Van', 'Small van']);
  });
});

describe('a contact that was erased', () => {
  const contact = (phone: string) => ({ contact: { name: 'Keeper', phone } });
  const texts = async (id: string) => JSON.stringify(await db.owner`select body from entry where subject_id = ${id} order by position`);

  it('takes along what was pressed before and comes later, and what only a wrong clock dates later; one that is given anew stays', async () => {
    const id = await house(contact('111'));
    await take([said('premises', id, 'contact-erased', {}, minutes(10))], minutes(10));
    // Pressed five minutes before, sent an hour after.
    await take([said('premises', id, 'changed', contact('222'), minutes(5), minutes(70))], minutes(70));
    // Pressed with a clock a day ahead, which was right again when it was sent.
    await take([said('premises', id, 'changed', contact('333'), minutes(1440), minutes(80))], minutes(80));
    assert.doesNotMatch(await texts(id), /111|222|333/);
    await take([said('premises', id, 'changed', contact('444'), minutes(90))], minutes(90));
    assert.match(await texts(id), /444/);
    const [row] = await db.owner`select contact from premises where premises_id = ${id}`;
    assert.deepEqual(row!.contact, { name: 'Keeper', phone: '444' });
    assert.equal(Number((await db.owner`select count(*) as n from entry where digest is null`)[0]!.n), 0);
  });

  it('is gone from the files of the tables when they are written anew, within a day', async () => {
    const id = await house(contact('999-marked-999'));
    // Somebody still looks at what stood before: a rewrite would keep it.
    const looks = connect(db.url, 1);
    const looked = looks.begin('isolation level repeatable read', async (tx) => {
      await tx`select count(*) from premises`;
      await new Promise((wake) => setTimeout(wake, 1500));
    });
    // And somebody writes in another database: a snapshot is as old as the oldest who writes anywhere.
    const other = new URL(db.url);
    other.pathname = '/postgres';
    const writes = connect(other.href, 1);
    const wrote = writes.begin(async (tx) => {
      await tx`select pg_current_xact_id()`;
      await new Promise((wake) => setTimeout(wake, 2500));
    });
    await new Promise((wake) => setTimeout(wake, 300));
    await take([said('premises', id, 'contact-erased', {}, minutes(200))], minutes(200));
    assert.equal(await writeAnew(db.url, false), false, 'not yet');
    await db.owner`update to_write_anew set since = since - interval '23 hours'`;
    assert.equal(await writeAnew(db.url, false), true);
    await Promise.all([looked, wrote]);
    await Promise.all([looks.end(), writes.end()]);
    assert.equal(await writeAnew(db.url, true), false, 'nothing is left to do');
    await db.owner`create extension if not exists pageinspect`;
    for (const table of ['entry', 'premises']) {
      const [found] = await db.owner.unsafe(
        `select count(*)::int as n from generate_series(0, pg_relation_size('${table}') / 8192 - 1) as page,
          lateral (select get_raw_page('${table}', page::int) as raw) r where position('999-marked-999'::bytea in raw) > 0`,
      );
      assert.equal(found!.n, 0, table);
    }
  });
});

describe('a program that did not derive the tables', () => {
  it('writes nothing: whoever sends to it is told "later"', async () => {
    const [row] = await db.owner<{ version: string }[]>`select version from derivation where shop_id = ${FIRST_SHOP}`;
    await db.owner`update derivation set version = 'another program' where shop_id = ${FIRST_SHOP}`;
    await assert.rejects(house(), OtherProgramError);
    await db.owner`update derivation set version = ${row!.version} where shop_id = ${FIRST_SHOP}`;
    await house();
  });
});

describe('a file of premises', () => {
  const file = (text: string) => importPremises(db.sql, FIRST_SHOP, Buffer.from(text), AT);
  const fault = (line: number, why: RegExp) => (error: unknown) =>
    error instanceof CsvFileError && error.faults[0]!.line === line && why.test(error.faults[0]!.why);

  it('with a quote inside a cell, or a row without end, is refused by its line', async () => {
    await assert.rejects(file('name,address\nLodge,Road\nHo"use,Road\n'), fault(3, /quote/i));
    await assert.rejects(file(`name,address\nLodge,${','.repeat(2_000_000)}`), fault(2, /more than 5000 cells/));
    await assert.rejects(file(','.repeat(3_000_000)), fault(1, /more than 5000 cells/));
  });
});
