/** The ledger over years: what is searched, due and counted, held against a plain reading of the record. */
import assert from 'node:assert/strict';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import { defaultRules } from '../core/house/rules.ts';
import type { Bodies, Entry, EntryKind } from '../record/index.ts';
import type { SentEntry } from '../record/shape.ts';
import { FIRST_SHOP } from './database/connection.ts';
import { migrate, readMigrations } from './database/migrate.ts';
import { appendBook, filedBookEntry } from './entries/append-book.ts';
import { ingestRunEntries } from './entries/run-entries.ts';
import { saveRules } from './entries/save-rules.ts';
import { ensureDerived, rebuild } from './projections/index.ts';
import { callbackCounts, readCallbacksBySeal } from './queries/callbacks.ts';
import { dueAll, dueList } from './queries/due.ts';
import { type LedgerQuery, ledger } from './queries/ledger.ts';
import { demoDatabase, sentEntry, type TestDatabase } from './testing.ts';

const AT = new Date('2026-04-14T12:00:00Z');
let db: TestDatabase;

before(async () => {
  db = await demoDatabase(AT);
});
after(() => db.end());

const page = (query: LedgerQuery) => ledger(db.sql, FIRST_SHOP, { limit: 500, ...query });
const entry = <K extends EntryKind>(of: { visitId: string; runId: string }, kind: K, body: Bodies[K], more: Partial<Entry> = {}, when = AT) =>
  sentEntry(of, kind, body, when, more);
const keep = async (...entries: SentEntry[]) => {
  const answers = await ingestRunEntries(db.sql, FIRST_SHOP, entries, AT);
  assert.deepEqual(
    answers.map((a) => a.status),
    entries.map(() => 'kept'),
    JSON.stringify(answers),
  );
};
const at = ({ visitId, runId }: { visitId: string; runId: string }) => ({ visitId, runId });

describe('a search of the ledger', () => {
  it('finds by place, appliance, seal, part, end, finding and day what a plain look through all of it finds', async () => {
    const all = (await page({})).rows;
    assert.ok(all.length > 10, `the demo has only ${all.length} connections`);
    const some = all[Math.floor(all.length / 2)]!;
    const cases: [LedgerQuery, (r: (typeof all)[number]) => boolean][] = [
      [
        { q: some.place },
        (r) => `${r.premises} ${r.place} ${r.run} ${r.applianceKind}`.toLowerCase().includes(some.place.toLowerCase().split(' ')[0]!),
      ],
      [{ appliance: some.applianceKind }, (r) => r.applianceKind === some.applianceKind],
      [{ seal: some.seals[0] }, (r) => r.seals.includes(some.seals[0]!)],
      [{ q: `Braided ${some.premises.split(' ')[0]}` }, (r) => r.parts.includes('braided')],
      [{ from: some.onDate, to: some.onDate }, (r) => r.onDate === some.onDate],
      [{ run: some.runId }, (r) => r.runId === some.runId],
      [{ callbacks: 'only' }, (r) => r.callbacks > 0],
    ];
    for (const [query, fits] of cases) {
      const found = await page(query);
      assert.equal(found.total, found.rows.length, JSON.stringify(query));
      assert.ok(found.rows.length > 0, `nothing found by ${JSON.stringify(query)}`);
      assert.ok(found.rows.every(fits), `too much found by ${JSON.stringify(query)}`);
      assert.equal(
        found.joints,
        found.rows.reduce((sum, r) => sum + r.joints, 0),
      );
    }
  });

  it('reads an end as it is typed, and finds nothing by one that does not read', async () => {
    const all = (await page({})).rows;
    const own = all.filter((r) => r.from === 'comp-3/8-m');
    assert.ok(own.length > 0, 'the demo has no 3/8 stop');
    const found = await page({ end: '3/8 comp' });
    for (const r of own)
      assert.ok(
        found.rows.some((f) => f.visitId === r.visitId && f.runId === r.runId),
        `${r.run} is not found by its end`,
      );
    assert.equal((await page({ end: 'no such end' })).total, 0);
  });

  it('finds by a part in the middle of a chain, and by what was found once and put right', async () => {
    const [row] = await db.owner<{ parts: string[] }[]>`select parts from ledger_line where cardinality(parts) > 1 limit 1`;
    const found = await page({ part: row!.parts[1] });
    assert.ok(found.total > 0, 'no connection by its second part');
    const damp = await page({ finding: 'damp' });
    const [counted] = await db.owner<{ n: number }[]>`
      select count(distinct (e.visit_id, e.run_id))::int as n from entry e join derived_run d using (shop_id, visit_id, run_id)
      where d.signed_off_at is not null and e.body ->> 'finding' = 'damp' and e.kind in ('look-ended', 'callback-reported')
        and not exists (select from entry w where w.corrects_id = e.entry_id)`;
    assert.equal(damp.total, counted!.n);
  });

  it('follows what is named anew, and the clock of the premises', async () => {
    const some = (await page({})).rows[0]!;
    const [v] = await db.owner<{ premises_id: string; place_id: string }[]>`
      select v.premises_id, a.place_id from visit v, run r join appliance a using (shop_id, appliance_id) where v.visit_id = ${some.visitId} and r.run_id = ${some.runId}`;
    await db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('place', v!.place_id, 'changed', { name: 'Lantern room' }, AT)]));
    assert.ok(
      (await page({ q: 'lantern' })).rows.some((r) => r.runId === some.runId),
      'not found by its new name',
    );
    assert.equal((await page({ q: some.place, run: some.runId })).total, some.place === 'Lantern room' ? 1 : 0);
  });
});

describe('what is due', () => {
  it('comes from what was fitted: a hose by its age, a stop by the year, an open line by the year', async () => {
    const ahead = await dueAll(db.sql, FIRST_SHOP, AT, { ahead: 6000 }, 5000);
    for (const kind of ['connector', 'stop', 'open-line'] as const)
      assert.ok(
        ahead.some((r) => r.kind === kind),
        `nothing due as ${kind}`,
      );
    const stop = ahead.find((r) => r.kind === 'stop')!;
    assert.equal(stop.dueOn.slice(5), stop.since!.slice(5) === '02-29' ? '02-28' : stop.since!.slice(5));
    assert.equal(Number(stop.dueOn.slice(0, 4)), Number(stop.since!.slice(0, 4)) + 1);
    const hose = ahead.find((r) => r.kind === 'connector')!;
    assert.equal(Number(hose.dueOn.slice(0, 4)), Number(hose.since!.slice(0, 4)) + 10);
    assert.deepEqual(
      [...ahead].sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : 0)).map((r) => r.dueOn),
      ahead.map((r) => r.dueOn),
    );
  });

  it('pages the same rows as it gives in one, and counts them', async () => {
    const whole = await dueList(db.sql, FIRST_SHOP, AT, { ahead: 4000, limit: 1000 });
    const first = await dueList(db.sql, FIRST_SHOP, AT, { ahead: 4000, limit: 7 });
    const next = await dueList(db.sql, FIRST_SHOP, AT, { ahead: 4000, limit: 7, offset: 7 });
    assert.deepEqual([...first.rows, ...next.rows], whole.rows.slice(0, 14));
    assert.equal(whole.total, whole.rows.length);
    assert.equal(whole.counts.stop!.due, whole.rows.filter((r) => r.kind === 'stop').length);
    assert.equal(whole.counts.stop!.late, whole.rows.filter((r) => r.kind === 'stop' && r.dueOn < whole.today).length);
  });

  it('keeps one order, however the rows lie: the same said of two premises for one day', async () => {
    const houses = [uuidv7(), uuidv7(), uuidv7()];
    const said = houses.flatMap((id, i) => [
      filedBookEntry('premises', id, 'made', { name: `House ${i}`, timeZone: 'UTC' }, AT),
      filedBookEntry('follow-up', uuidv7(), 'made', { premisesId: id, text: 'Bring a key', dueOn: '2026-04-20' }, AT),
    ]);
    await db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, said));
    const order = async () => (await dueAll(db.sql, FIRST_SHOP, AT, { kind: 'follow-up', ahead: 30 }, 50)).map((r) => r.premises.id);
    const before = await order();
    assert.deepEqual(
      before.filter((id) => houses.includes(id)),
      [...houses].sort(),
    );
    for (const id of houses) {
      await db.owner`update follow_up set body = body where premises_id = ${id}`;
      assert.deepEqual(await order(), before);
    }
  });

  it('is done from the day it was done, put off with a day, dropped with a reason, and due no more once the run was retired', async () => {
    const stops = (await dueAll(db.sql, FIRST_SHOP, AT, { kind: 'stop', ahead: 400 }, 500)).filter((r) => r.visitId);
    const [done, off, dropped, retired] = stops as [(typeof stops)[number], (typeof stops)[number], (typeof stops)[number], (typeof stops)[number]];
    const run = (r: (typeof stops)[number]) => ({ visitId: r.visitId!, runId: r.runId! });
    await keep(entry(run(done), 'duty-seen', { duty: 'stop', what: done.what, outcome: 'done' }));
    await keep(
      entry(run(off), 'duty-seen', { duty: 'stop', what: off.what, outcome: 'put-off', until: '2027-09-01', note: 'House closed till the autumn' }),
    );
    await keep(entry(run(dropped), 'duty-seen', { duty: 'stop', what: dropped.what, outcome: 'not-wanted', note: 'The owner does it himself' }));
    await db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('run', retired.runId!, 'retired', { reason: 'Room given up' }, AT)]));
    const now = await dueAll(db.sql, FIRST_SHOP, AT, { kind: 'stop', ahead: 2000 }, 500);
    const dueOf = (r: (typeof stops)[number]) => now.find((n) => n.runId === r.runId)?.dueOn;
    assert.deepEqual([dueOf(done), dueOf(off), dueOf(dropped), dueOf(retired)], ['2027-04-14', '2027-09-01', undefined, undefined]);
    await db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('run', retired.runId!, 'restored', { reason: 'Room taken back' }, AT)]));
    const again = await dueAll(db.sql, FIRST_SHOP, AT, { kind: 'stop', ahead: 2000 }, 500);
    assert.ok(
      again.some((r) => r.runId === retired.runId),
      'what is restored is due again',
    );
  });

  it('goes by the house, where it says how often', async () => {
    await saveRules(db.sql, FIRST_SHOP, { ...defaultRules, dueMonths: { stop: 6 }, maxAgeYears: { braided: 5 } }, 'hard water', AT);
    const rows = await dueAll(db.sql, FIRST_SHOP, AT, { ahead: 4000 }, 5000);
    const stop = rows.find((r) => r.kind === 'stop' && r.since === '2026-04-14')!;
    assert.equal(stop.dueOn, '2026-10-14');
    const hose = rows.find((r) => r.kind === 'connector')!;
    assert.equal(Number(hose.dueOn.slice(0, 4)), Number(hose.since!.slice(0, 4)) + 5);
  });

  it('asks for spares of a stop-leak device when none is left, and for its insert in time', async () => {
    const brewer = (await page({ appliance: 'brewer' })).rows[0]!;
    await keep(entry(at(brewer), 'safety-tried', { device: 'stop-leak', held: true, seconds: 9, newInsert: true, spares: 0 }));
    const rows = await dueAll(db.sql, FIRST_SHOP, AT, { ahead: 500 }, 5000);
    assert.equal(rows.find((r) => r.kind === 'insert')?.dueOn, '2027-04-14');
    assert.equal(rows.find((r) => r.kind === 'spares')?.dueOn, '2026-05-14');
  });
});

describe('callbacks counted', () => {
  it('are the joints of the ledger, each once', async () => {
    const { groups, ages } = await callbackCounts(db.sql, FIRST_SHOP, AT);
    const [joints] = await db.owner<{ n: number; called: number }[]>`
      select count(*)::int as n, count(called_at)::int as called from derived_joint j join ledger_line l using (shop_id, visit_id, run_id) where j.made`;
    const sum = (list: { joints: number }[]) => list.reduce((s, g) => s + g.joints, 0);
    assert.equal(sum(groups), joints!.n);
    assert.equal(sum(ages), joints!.n);
    assert.equal(
      groups.reduce((s, g) => s + g.callbacks, 0),
      joints!.called,
    );
    assert.equal(sum(ages.filter((a) => a.cameBack)), joints!.called);
    const bySeal = await readCallbacksBySeal(db.sql, FIRST_SHOP);
    assert.equal(sum(bySeal), joints!.n);
  });

  it('count a leak once reported at the joint it was laid to, and apart where it was laid to none', async () => {
    const sound = (await page({ callbacks: 'none' })).rows[0]!;
    const before = await callbackCounts(db.sql, FIRST_SHOP, AT);
    await keep(entry(at(sound), 'callback-reported', { finding: 'damp', text: 'Wet floor, joint not known' }));
    const [joint] = await db.owner<
      { joint_id: string; seal: string }[]
    >`select joint_id, seal from derived_joint where visit_id = ${sound.visitId} and run_id = ${sound.runId}`;
    const between = await callbackCounts(db.sql, FIRST_SHOP, AT);
    assert.equal(between.unlaid, before.unlaid + 1);
    await keep(entry(at(sound), 'callback-reported', { finding: 'damp', text: 'It is this one' }, { jointId: joint!.joint_id } as Partial<Entry>));
    const after = await callbackCounts(db.sql, FIRST_SHOP, AT);
    const called = (c: typeof before) => c.groups.filter((g) => g.seal === joint!.seal).reduce((s, g) => s + g.callbacks, 0);
    assert.equal(called(after), called(before) + 1);
    assert.equal((await page({ run: sound.runId })).rows[0]!.callbacks, 2);
  });

  it('come out the same when all is derived anew', async () => {
    const dump = async () => [
      await db.owner`select * from ledger_line order by visit_id, run_id`,
      await db.owner`select * from derived_duty order by visit_id, run_id, duty, what`,
      await db.owner`select * from derived_joint order by visit_id, run_id, joint_id`,
    ];
    const before = await dump();
    await rebuild(db.sql, FIRST_SHOP);
    assert.deepEqual(await dump(), before);
  });
});

describe('a database of before, with years in it', () => {
  it('gets its ledger when it is brought up: the same connections, the same due list, the same counts', async () => {
    const asked = async () => [
      await page({}),
      await dueAll(db.sql, FIRST_SHOP, AT, { ahead: 4000 }, 5000),
      await callbackCounts(db.sql, FIRST_SHOP, AT),
    ];
    const before = await asked();
    // As the program before left it.
    await db.owner.unsafe(`
      drop table ledger_line, joint_alike, derived_duty;
      drop index derived_joint_of_run;
      alter table derived_joint drop column alike, drop column made_at, drop column called_at, drop column signed_on, drop column replaced_at,
        add column by_round jsonb not null default '{}';
      create index derived_joint_by_seal on derived_joint (shop_id, seal);
      alter table derived_run drop column shown;
      update derivation set version = '4 before';
      delete from migration where number = 10;`);
    assert.deepEqual(await migrate(db.url, readMigrations(join('store', 'migrations'))), [10]);
    assert.equal(await ensureDerived(db.sql, FIRST_SHOP), true);
    const after = await asked();
    assert.deepEqual(after.slice(0, 2), before.slice(0, 2));
    const sorted = (counts: unknown) => JSON.stringify((counts as { groups: object[] }).groups.map((g) => JSON.stringify(g)).sort());
    assert.equal(sorted(after[2]), sorted(before[2]));
  });
});
