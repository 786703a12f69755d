/** The book through its one way in, as a script would use it: what is made, repeated, corrected, taken back and erased. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import type { BookEntry, SubjectKind } from '../record/book/entry.ts';
import { readSentBook, type SentBookEntry } from '../record/book/shape.ts';
import { MemoryDevice } from '../sync/memory-device.ts';
import { FIRST_SHOP } from './database/connection.ts';
import { ingestBookEntries } from './entries/book-entries.ts';
import { ingestRunEntries } from './entries/run-entries.ts';
import { exportBook, importBook } from './files/book-file.ts';
import { ImportError } from './files/import-error.ts';
import { rebuild } from './projections/index.ts';
import { calendarOf } from './queries/calendar.ts';
import { changesAfter, holding } from './queries/changes.ts';
import { plannedVisits } from './queries/day.ts';
import { premisesList } from './queries/premises.ts';
import { visitSheet } from './queries/visits.ts';
import { entriesOfSubjects } from './rows/book-row.ts';
import { type Chance, chance } from './seed/random.ts';
import { linesOf, type TestDatabase, testDatabase } from './testing.ts';

const T0 = Date.UTC(2026, 4, 20, 8);
let db: TestDatabase;
before(async () => {
  db = await testDatabase();
});
after(() => db.end());

let clock = T0;
const PHONE = uuidv7();
const OFFICE = uuidv7();
const VAN = uuidv7();

/** An entry made a minute after the one before. */
function said(kind: SubjectKind, id: string, change: string, body: BookEntry['body'], more: Partial<SentBookEntry> = {}): SentBookEntry {
  clock += 60_000;
  const time = new Date(clock).toISOString();
  return {
    id: uuidv7(),
    deviceId: PHONE,
    seenAt: time,
    sentAt: time,
    recordedAt: null,
    correctsId: null,
    subject: { kind, id },
    change,
    body,
    ...more,
  };
}

const take = async (...entries: SentBookEntry[]) => {
  const answers = await ingestBookEntries(db.sql, FIRST_SHOP, entries, new Date(clock + 1000));
  return answers.map((a) => (a.status === 'refused' ? a.rule : a.status));
};

interface House {
  premises: string;
  place: string;
  appliance: string;
  run: string;
  visit: string;
  job: string;
}

const newHouse = (): House => ({ premises: uuidv7(), place: uuidv7(), appliance: uuidv7(), run: uuidv7(), visit: uuidv7(), job: uuidv7() });

const makingOf = (h: House, contact?: object): SentBookEntry[] => [
  said('premises', h.premises, 'made', { name: 'Kiln cottage', timeZone: 'UTC', ...(contact ? { contact } : {}) }),
  said('place', h.place, 'made', { premisesId: h.premises, name: 'Scullery' }),
  said('appliance', h.appliance, 'made', { premisesId: h.premises, placeId: h.place, kind: 'toilet', name: 'Toilet' }),
  said('run', h.run, 'made', { applianceId: h.appliance, water: 'cold', name: 'Toilet' }),
  said('visit', h.visit, 'made', { premisesId: h.premises, onDate: '2026-05-21', startsAt: '10:00', title: 'Drip' }),
  said('visit', h.visit, 'run-added', { runId: h.run, work: 'toilet-line', told: [{ side: 'to', end: 'bc-7/8-m' }] }),
];

async function made(contact?: object): Promise<House> {
  const house = newHouse();
  assert.ok((await take(...makingOf(house, contact))).every((s) => s === 'kept'));
  return house;
}

const sheetOf = async (h: House) => (await visitSheet(db.sql, FIRST_SHOP, h.visit))!;

describe('the book', () => {
  it('takes a visit made in a cellar, its run, and what is recorded on it, in order; the same again is known', async () => {
    const house = newHouse();
    const entries = makingOf(house);
    assert.deepEqual(
      await take(...entries),
      entries.map(() => 'kept'),
    );
    const seen = {
      id: uuidv7(),
      visitId: house.visit,
      runId: house.run,
      jointId: null,
      checkPointId: null,
      correctsId: null,
      deviceId: PHONE,
      seenAt: new Date(clock).toISOString(),
      sentAt: new Date(clock).toISOString(),
      recordedAt: null,
      kind: 'end-seen',
      body: { side: 'to', end: 'bc-7/8-m', how: 'seen' },
    };
    assert.equal((await ingestRunEntries(db.sql, FIRST_SHOP, [seen as never], new Date(clock)))[0]!.status, 'kept');
    const sheet = await sheetOf(house);
    assert.deepEqual(
      [sheet.visit.title, sheet.runs[0]!.place, sheet.runs[0]!.work, sheet.runs[0]!.told],
      ['Drip', 'Scullery', 'toilet-line', [{ side: 'to', end: 'bc-7/8-m' }]],
    );
    assert.equal(sheet.entries.length, 1);
    assert.equal(sheet.runs[0]!.checkPoints.length, 1);
    assert.deepEqual(
      await take(...entries),
      entries.map(() => 'known'),
    );
    assert.deepEqual(await take({ ...entries[0]!, body: { name: 'Another', timeZone: 'UTC' } }), ['other-content']);
    assert.deepEqual(await take({ ...said('visit', house.visit, 'arrived', {}), id: seen.id }), ['other-content']);
  });

  it('gives numbers of one count to both sorts of entries', async () => {
    const house = await made();
    const deviceId = uuidv7();
    assert.deepEqual(await take(said('visit', house.visit, 'arrived', {}, { deviceId, seq: 4 })), ['kept']);
    const note = {
      id: uuidv7(),
      visitId: house.visit,
      runId: house.run,
      jointId: null,
      checkPointId: null,
      correctsId: null,
      deviceId,
      seq: 4,
      seenAt: new Date(clock).toISOString(),
      sentAt: new Date(clock).toISOString(),
      recordedAt: null,
      kind: 'noted',
      body: { text: 'x' },
    };
    const [answer] = await ingestRunEntries(db.sql, FIRST_SHOP, [note as never], new Date(clock));
    assert.equal(answer!.status === 'refused' && answer!.rule, 'seq-used');
    assert.deepEqual(await take(said('visit', house.visit, 'left', {}, { deviceId, seq: 4 })), ['seq-used']);
  });

  it('moves, reorders, cancels and brings back, and every change can be taken back', async () => {
    const house = await made();
    const second = uuidv7();
    await take(
      said('run', second, 'made', { applianceId: house.appliance, water: 'cold', name: 'Toilet, second' }),
      said('visit', house.visit, 'run-added', { runId: second, work: 'stop-replace' }),
    );
    const moved = said('visit', house.visit, 'changed', { onDate: '2026-05-25', startsAt: '08:15' });
    const order = said('visit', house.visit, 'ordered', { runIds: [second, house.run] });
    const cancelled = said('visit', house.visit, 'cancelled', { reason: 'nobody at home' });
    assert.deepEqual(await take(moved, order, cancelled), ['kept', 'kept', 'kept']);
    const now = await sheetOf(house);
    assert.deepEqual(
      [now.visit.onDate, now.visit.startsAt, now.visit.cancelled, now.runs.map((r) => r.id)],
      ['2026-05-25', '08:15', 'nobody at home', [second, house.run]],
    );
    const backs = [cancelled, order, moved].map((e) => said('visit', house.visit, 'withdrawn', { reason: 'wrong press' }, { correctsId: e.id }));
    assert.deepEqual(await take(...backs), ['kept', 'kept', 'kept']);
    const before = await sheetOf(house);
    assert.deepEqual([before.visit.onDate, before.visit.cancelled, before.runs.map((r) => r.id)], ['2026-05-21', null, [house.run, second]]);
    assert.deepEqual(await take(said('visit', house.visit, 'withdrawn', { reason: 'again' }, { correctsId: moved.id })), ['corrected-already']);
  });

  it('takes back what was made when nothing hangs on it, and puts it back', async () => {
    const house = newHouse();
    const entries = makingOf(house);
    await take(...entries);
    const [premises, , , , visit, added] = entries;
    assert.deepEqual(await take(said('premises', house.premises, 'withdrawn', { reason: 'typed twice' }, { correctsId: premises!.id })), ['in-use']);
    const offList = said('visit', house.visit, 'withdrawn', { reason: 'wrong run' }, { correctsId: added!.id });
    const gone = said('visit', house.visit, 'withdrawn', { reason: 'wrong house' }, { correctsId: visit!.id });
    assert.deepEqual(await take(offList, gone), ['kept', 'kept']);
    assert.equal(await visitSheet(db.sql, FIRST_SHOP, house.visit), null);
    assert.deepEqual(await take(said('visit', house.visit, 'changed', { title: 'x' })), ['unknown-visit']);
    assert.deepEqual(await take(said('visit', house.visit, 'withdrawn', { reason: 'right after all' }, { correctsId: gone.id })), ['kept']);
    assert.deepEqual((await sheetOf(house)).runs, []);
  });

  it('erases a contact from all it was written in, and knows an entry that comes again', async () => {
    const contact = { name: 'A tenant', phone: '555 0199' };
    const house = newHouse();
    const entries = makingOf(house, contact);
    await take(...entries);
    const changed = said('premises', house.premises, 'changed', { contact: { phone: '555 0198' }, access: 'Side door' });
    const late = said('premises', house.premises, 'changed', { contact: { email: 'tenant@example.invalid' } }, { deviceId: OFFICE });
    assert.deepEqual(await take(changed), ['kept']);
    const erased = said('premises', house.premises, 'contact-erased', {});
    assert.deepEqual(await take(erased), ['kept']);
    // Made before on another device, and sent after.
    late.sentAt = new Date(clock + 1000).toISOString();
    assert.deepEqual(await take(late), ['kept']);
    const all = JSON.stringify([
      await entriesOfSubjects(db.sql, FIRST_SHOP, [house.premises]),
      await db.owner`select * from premises`,
      await db.owner`select body from entry`,
      (await changesAfter(db.sql, FIRST_SHOP, 0)).book,
    ]);
    assert.equal(/555 019|A tenant|example\.invalid/.exec(all), null);
    const [row] = await db.owner`select contact, access from premises where premises_id = ${house.premises}`;
    assert.deepEqual([row!.contact, row!.access], [null, 'Side door']);
    assert.deepEqual(await take(entries[0]!, changed, late, erased), ['known', 'known', 'known', 'known']);
    assert.deepEqual(await take({ ...changed, body: { contact: { phone: '555 0000' } } }), ['other-content']);
    assert.deepEqual(await take(said('premises', house.premises, 'withdrawn', { reason: 'keep it' }, { correctsId: erased.id })), ['final']);
    await assert.rejects(db.owner`update entry set body = '{}' where entry_id = ${changed.id}`, /appended, never changed/);
    await assert.rejects(db.sql`update entry set body = '{}' where entry_id = ${changed.id}`, /permission denied/);
    // A new one may be written down.
    assert.deepEqual(await take(said('premises', house.premises, 'changed', { contact: { phone: '555 0101' } })), ['kept']);
    assert.equal((await db.owner`select contact from premises where premises_id = ${house.premises}`)[0]!.contact.phone, '555 0101');
  });

  it('refuses check points that are another run’s', async () => {
    const house = await made();
    const [stem] = (await sheetOf(house)).runs[0]!.checkPoints;
    const body = { applianceId: house.appliance, water: 'cold', name: 'Second', checkPoints: [{ ...stem!, name: 'Mine' }] };
    assert.deepEqual(await take(said('run', uuidv7(), 'made', body)), ['other-run']);
    assert.equal((await sheetOf(house)).runs[0]!.checkPoints[0]!.name, 'Stop stem');
  });
});

const PICTURE = 'ab'.repeat(32);

describe('beside the work', () => {
  it('stand pictures, notes and signatures, each with its entry; taken back they are gone, and come again', async () => {
    const house = await made();
    const picture = { picture: PICTURE, type: 'image/jpeg', width: 400, height: 300 };
    const [one, two] = [
      said('visit', house.visit, 'pictured', { ...picture, runId: house.run, text: 'The old valve' }),
      said('visit', house.visit, 'pictured', picture),
    ];
    const signed = said('visit', house.visit, 'signed', { name: 'M. Alder', ...picture });
    assert.deepEqual(await take(one, two, said('visit', house.visit, 'noted', { text: 'Stiff' }), signed), ['kept', 'kept', 'kept', 'kept']);
    const { gathered } = await sheetOf(house);
    assert.deepEqual(
      gathered.pictures.map((p) => [p.entryId, p.runId, p.text]),
      [
        [one!.id, house.run, 'The old valve'],
        [two!.id, null, null],
      ],
    );
    assert.deepEqual([gathered.notes.map((n) => n.text), gathered.signatures.map((s) => s.name)], [['Stiff'], ['M. Alder']]);
    const back = said('visit', house.visit, 'withdrawn', { reason: 'the wrong valve' }, { correctsId: one!.id });
    await take(back);
    assert.deepEqual(
      (await sheetOf(house)).gathered.pictures.map((p) => p.entryId),
      [two!.id],
    );
    await take(said('visit', house.visit, 'withdrawn', { reason: 'it was right' }, { correctsId: back.id }));
    assert.equal((await sheetOf(house)).gathered.pictures.length, 2);
    await take(said('visit', house.visit, 'pictured', { ...picture, text: 'The new valve' }, { correctsId: two!.id }));
    assert.deepEqual(
      (await sheetOf(house)).gathered.pictures.map((p) => p.text),
      ['The old valve', 'The new valve'],
    );
  });

  it('refuses by name what is no picture’s content, another’s run, and a field too many', async () => {
    const house = await made();
    const body = { picture: PICTURE, type: 'image/jpeg', width: 400, height: 300 };
    const read = (more: object) => readSentBook(said('visit', house.visit, 'pictured', { ...body, ...more }));
    for (const [more, at] of [
      [{ picture: 'AB' }, 'body.picture'],
      [{ type: 'image/gif' }, 'body.type'],
      [{ width: 0 }, 'body.width'],
      [{ text: ' ' }, 'body.text'],
    ] as const) {
      const result = read(more);
      assert.ok(!result.ok && result.at === at, JSON.stringify(result));
    }
    assert.deepEqual(await take(said('visit', house.visit, 'pictured', { ...body, runId: uuidv7() })), ['unknown-run']);
  });
});

describe('rebuilt', () => {
  /** Something that might be said next, sensible or not, in whatever order two devices send it. */
  function next(go: Chance, houses: House[], kept: SentBookEntry[]): SentBookEntry {
    const pick = <T>(list: T[]): T => list[Math.floor(go() * list.length)]!;
    const h = pick(houses);
    const more: Partial<SentBookEntry> = {
      deviceId: go() < 0.5 ? PHONE : OFFICE,
      // Seen up to an hour before it is sent, by a clock up to an hour off.
      seenAt: new Date(clock - go() * 3_600_000).toISOString(),
      sentAt: new Date(clock + (go() - 0.5) * 3_600_000).toISOString(),
    };
    const before = kept.length > 0 ? pick(kept) : null;
    const choices: (() => SentBookEntry)[] = [
      () => said('visit', h.visit, 'changed', { onDate: `2026-06-${10 + Math.floor(go() * 9)}`, title: `t${Math.floor(go() * 5)}` }, more),
      () => said('visit', h.visit, go() < 0.5 ? 'cancelled' : 'restored', { reason: 'rain' }, more),
      () => said('visit', h.visit, 'run-removed', { runId: pick(houses).run, reason: 'later' }, more),
      () => said('visit', h.visit, 'run-added', { runId: pick(houses).run, work: go() < 0.7 ? 'toilet-line' : 'stop-replace', ...(go() < 0.2 ? { recheckOf: pick(houses).visit } : {}) }, more),
      () => said('visit', h.visit, 'ordered', { runIds: [h.run] }, more),
      () => said('visit', h.visit, go() < 0.5 ? 'arrived' : 'left', {}, more),
      () => said('visit', h.visit, 'pictured', { picture: PICTURE, type: 'image/jpeg', width: 40, height: 30, ...(go() < 0.5 ? { runId: pick(houses).run } : {}), ...(go() < 0.5 ? { text: 'The stop' } : {}) }, more),
      () => (go() < 0.5 ? said('visit', h.visit, 'noted', { text: 'The valve is stiff' }, more) : said('visit', h.visit, 'signed', { name: 'Somebody', picture: PICTURE, type: 'image/png', width: 9, height: 9 }, more)),
      () => said('premises', h.premises, 'changed', { mainValve: go() < 0.8 ? `pit ${Math.floor(go() * 3)}` : null }, more),
      () => said('premises', h.premises, 'changed', go() < 0.5 ? { address: `no. ${Math.floor(go() * 9)}` } : { contact: { phone: '555' } }, more),
      () => (go() < 0.3 ? said('premises', h.premises, 'contact-erased', {}, more) : said('premises', h.premises, 'retired', { reason: 'sold' }, more)),
      () => said('appliance', h.appliance, 'moved', { placeId: pick(houses).place }, more),
      () => said('follow-up', h.job, 'made', { premisesId: h.premises, runId: h.run, text: 'look again' }, more),
      () => said('follow-up', h.job, 'closed', { reason: 'looked', visitId: h.visit }, more),
      () => said('stock', go() < 0.2 ? h.place : VAN, 'place-made', { name: 'Van', kind: 'van' }, more),
      () => said('stock', VAN, 'counted', { item: 'x', quantity: 3 }, more),
      () => (before ? { ...before, id: uuidv7(), seenAt: more.seenAt!, deviceId: more.deviceId!, correctsId: before.id } : said('shop', FIRST_SHOP, 'changed', { name: 'A shop' }, more)),
      () => (before ? said(before.subject.kind, before.subject.id, 'withdrawn', { reason: 'wrong' }, { ...more, correctsId: before.id }) : said('shop', FIRST_SHOP, 'changed', { units: 'metric' }, more)),
      () => pick(kept.length > 0 ? kept : makingOf(h)),
    ]; // biome-ignore format: a table
    return pick(choices)();
  }

  const TABLES = [
    'stock_place',
    'stock_level',
    'derived_use',
    'premises',
    'place',
    'appliance',
    'run',
    'check_point',
    'visit',
    'visit_run',
    'follow_up',
    'shop_now',
  ];
  const tables = async () =>
    (await Promise.all(TABLES.map((t) => db.owner.unsafe(`select '${t} ' || to_jsonb(t)::text as row from ${t} t`))))
      .flat()
      .map((r) => r.row as string);

  it('the tables of the book are the same as they were derived, over random histories of two devices', async () => {
    const go = chance(5);
    const histories = Number(process.env.HISTORIES ?? 40);
    for (let n = 0; n < histories; n++) {
      const houses = [await made(), await made({ name: 'Somebody' })];
      const kept: SentBookEntry[] = [];
      for (let i = 0; i < 6; i++) {
        const batch = Array.from({ length: 1 + Math.floor(go() * 6) }, () => next(go, houses, kept));
        const answers = await take(...batch);
        kept.push(...batch.filter((_, j) => answers[j] === 'kept'));
      }
    }
    const derived = new Set(await tables());
    await rebuild(db.sql, FIRST_SHOP);
    const rebuilt = new Set(await tables());
    assert.deepEqual([[...rebuilt].filter((r) => !derived.has(r)), [...derived].filter((r) => !rebuilt.has(r))], [[], []]);
    assert.ok(derived.size > 300);
  });

  it('and a device reads from the entries what the server has in its tables', async () => {
    const ids = (await db.owner<{ visit_id: string }[]>`select visit_id from visit where not gone`).map((r) => r.visit_id);
    const device = new MemoryDevice();
    await device.keepHolding(await holding(db.sql, FIRST_SHOP, { visitIds: ids }));
    const sheets = new Map(device.sheets().map((s) => [s.visit.id, s]));
    for (const id of ids) {
      const held = sheets.get(id)!;
      assert.deepEqual({ ...held, entries: [] }, { ...(await visitSheet(db.sql, FIRST_SHOP, id))!, entries: [] });
    }
    assert.ok(ids.length > 20);
  });
});

describe('read', () => {
  it('premises are found by their own words, their places and appliances, a page at a time; retired ones are not', async () => {
    const house = newHouse();
    await take(...makingOf(house, { phone: '555 0177' }));
    await take(
      said('premises', house.premises, 'changed', { name: 'Zither works', address: '4 Tarn lane' }),
      said('appliance', house.appliance, 'changed', { name: 'Loft cistern' }),
    );
    const find = async (q: string) => (await premisesList(db.sql, FIRST_SHOP, '2026-05-20', { q })).premises.map((p) => p.id);
    for (const q of ['zither', 'tarn LANE', 'cistern loft', '0177', 'scullery zither']) assert.deepEqual(await find(q), [house.premises], q);
    assert.deepEqual([await find('zither 100%'), await find('zither nowhere')], [[], []]);
    const [row] = (await premisesList(db.sql, FIRST_SHOP, '2026-05-20', { q: 'zither' })).premises;
    assert.deepEqual([row!.nextVisit, row!.lastVisit, row!.openFollowUps], ['2026-05-21', null, 0]);
    const all: string[] = [];
    for (let after: string | undefined; ; ) {
      const { premises, next } = await premisesList(db.sql, FIRST_SHOP, '2026-05-20', { limit: 7, after });
      all.push(...premises.map((p) => p.id));
      after = next;
      if (!next) break;
    }
    assert.equal(new Set(all).size, all.length);
    assert.ok(all.includes(house.premises));
    await take(said('premises', house.premises, 'retired', { reason: 'sold' }));
    assert.deepEqual(await find('zither'), []);
  });

  it('visits say how far they are, what they run into, and stay in a calendar when called off', async () => {
    const at = new Date('2027-02-01T12:00:00Z');
    const [one, two] = [newHouse(), newHouse()];
    const on = { onDate: '2027-02-03', minutes: 60 };
    await take(...makingOf(one), ...makingOf(two));
    const moves = [
      said('visit', one.visit, 'changed', { ...on, startsAt: '10:00' }),
      said('visit', two.visit, 'changed', { ...on, startsAt: '10:30' }),
    ];
    await take(...moves);
    const planned = () => plannedVisits(db.sql, FIRST_SHOP, '2027-02-03', '2027-02-03', at);
    assert.deepEqual(
      (await planned()).map((v) => [v.visit.id, v.status, v.overlaps]),
      [
        [one.visit, 'planned', [two.visit]],
        [two.visit, 'planned', [one.visit]],
      ],
    );
    await take(said('visit', one.visit, 'arrived', {}), said('visit', two.visit, 'cancelled', { reason: 'rain' }));
    assert.deepEqual(
      (await planned()).map((v) => [v.status, v.overlaps]),
      [
        ['under way', []],
        ['cancelled', []],
      ],
    );
    const calendar = await calendarOf(db.sql, FIRST_SHOP, at);
    assert.deepEqual(
      calendar.visits.map((v) => [v.visit.id, v.sequence, v.visit.cancelled]),
      [
        [one.visit, 1, null],
        [two.visit, 2, 'rain'],
      ],
    );
  });

  it('the book as a file, taken into an empty shop and written again, is the same byte for byte', async () => {
    const text = async (of: TestDatabase) => {
      let all = '';
      for await (const slice of exportBook(of.sql, FIRST_SHOP)) all += slice;
      return all;
    };
    const written = await text(db);
    assert.ok(written.split('\n').length > 300 && written.includes('"erased"'));
    const empty = await testDatabase();
    try {
      const lines = written.split('\n');
      const spoilt = [...lines.slice(0, 3), lines[3]!.replace('"change":"made"', '"change":"mad"'), ...lines.slice(4)].join('\n');
      await assert.rejects(importBook(empty.sql, FIRST_SHOP, linesOf(spoilt)), (e) => e instanceof ImportError && e.at === 'line 4, change');
      await assert.rejects(importBook(empty.sql, FIRST_SHOP, linesOf(`${written}{`)), (e) => e instanceof ImportError && /^line \d+$/.test(e.at));
      await assert.rejects(
        importBook(empty.sql, FIRST_SHOP, linesOf(lines.slice(1).join('\n'))),
        (e) => e instanceof ImportError && /does not bring/.test(e.why),
      );
      assert.equal((await importBook(empty.sql, FIRST_SHOP, linesOf(written))).entries, lines.length - 1);
      assert.equal(await text(empty), written);
      await assert.rejects(importBook(empty.sql, FIRST_SHOP, linesOf(written)), /empty shop/);
    } finally {
      await empty.end();
    }
  });
});
