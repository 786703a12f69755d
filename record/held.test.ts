/** What is read, refused and told of a shop to which anything happens: its book, its stock, its days. */
import fc from 'fast-check';
import { catalogue } from '../catalog/index.ts';
import { defaultRules } from '../core/house/rules.ts';
import { taskMonths } from '../core/log/tasks.ts';
import { chanceOf } from '../core/shut/testing.ts';
import { held, sampled } from '../core/testing.ts';
import { BODIES } from './bodies.testing.ts';
import { bookRefusal } from './book/check.ts';
import type { BookEntry, SubjectKind } from './book/entry.ts';
import { standingOf, stateOf } from './book/fold.ts';
import type { BookNow } from './book/now.ts';
import { filedBookEntry, readFiledBook, readSentBook, sentBookEntry } from './book/shape.ts';
import { subjectOf, subjects } from './book/subjects.ts';
import { bookHappenings, NO_WORDS } from './book/words.ts';
import { isSeenTooLate } from './entry.ts';
import { few } from './few.ts';
import { type Entry, kinds } from './kinds.ts';
import { minutesFrom, oneAfterAnother, recordOfMinutes } from './minutes.ts';
import { placesFor } from './parts/places.ts';
import { premisesBook, runRowsOf, sheetFrom } from './premises/book.ts';
import { asDrawn, knownThings, networkOf, triedIn } from './premises/water.ts';
import { type Any, RandomShop } from './random-shop.testing.ts';
import { upcastRules } from './rules/house-rules.ts';
import { rulesAfter, rulesChanged, ruleWords } from './rules/rules.ts';
import { CONTEXT, HOSES } from './run/testing.ts';
import { summaryOf } from './run/told/summary.ts';
import { walked } from './run/walk.testing.ts';
import { filedEntry, readSent, sentEntry } from './shape.ts';
import { elsewhereOf, reorderOf, type StockedPlace, stockOf, toldOf, vanOf, withWaiting } from './stock/levels.ts';
import { loadOf, movesFor } from './stock/load.ts';
import { reorderRows } from './stock/reorder-rows.ts';
import { isStorable, pathText, unstorable } from './storable.ts';
import { certificateOf } from './visit/certificate.ts';
import { runsWithoutChain } from './visit/chainless.ts';
import { addDays, daySheetOf, localDayOf } from './visit/day.ts';
import { type DayVisit, dayRunOf } from './visit/day-run.ts';
import { dayVisitOf } from './visit/day-visit.ts';
import { cameTo, estimateOf } from './visit/estimate.ts';
import { openRunsOf } from './visit/open-runs.ts';
import { packDay, packWeek, unpackDay, unpackWeek } from './visit/packed.ts';
import { minuteOf, overlapsOf, spanOf, statusOf } from './visit/plan.ts';
import { deviceNames, recordRows } from './visit/record-rows.ts';
import { type RunRow, readRuns, type VisitHead } from './visit/sheet.ts';
import { waitingOf } from './visit/waiting.ts';
import { mondayOf, movedBy, weekSheetOf } from './visit/week.ts';
import { readWhen } from './visit/when.ts';
import { minutesOfOne, minutesOfWork, ownVisits, workMinutes } from './visit/work-minutes.ts';
import { instantOf } from './visit/zone.ts';
import { isZone, zoneForAll } from './zones.ts';

const shipped = catalogue();
const DUTIES = { rows: shipped.duties, months: taskMonths(shipped.duties, shipped.look.ages, {}) };
const SHOP = '0190a000-0000-7000-8000-00000000ffff';
const uuid = (n: number) => `0190a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const AT = '2026-05-20T09:00:00.000Z';

// What is sent, with each of its fields spoilt.

const SPOILT = [
  undefined,
  null,
  '',
  'x',
  ' ',
  'a'.repeat(3000),
  '\u0000',
  -1,
  0,
  0.5,
  1e9,
  Number.NaN,
  true,
  [],
  {},
  ['x'],
  uuid(9),
  '2026-02-30',
  AT,
];
function* spoilt(name: string, body: Record<string, unknown>, read: (body: unknown) => unknown): Generator<[string, () => unknown]> {
  yield [`${name}, as it is`, () => read(body)];
  yield [`${name}, with more`, () => read({ ...body, more: 1 })];
  for (const field of Object.keys(body))
    yield [`${name}, ${field} spoilt`, () => SPOILT.map((value) => read({ ...body, [field]: value === undefined ? undefined : value }))];
}
const answered = (r: { ok: boolean; at?: string; why?: string; entry?: unknown }) =>
  r.ok ? (r.entry as { body: unknown }).body : `${r.at} ${r.why}`;
const runIds = {
  id: uuid(1),
  visitId: uuid(2),
  runId: uuid(3),
  jointId: null,
  checkPointId: null,
  deviceId: uuid(4),
  correctsId: null,
  seenAt: AT,
  sentAt: AT,
};
const sentRun = (kind: string) => (body: unknown) => answered(readSent(JSON.parse(JSON.stringify({ ...runIds, kind, body }))));
const bookIds = { id: uuid(1), deviceId: uuid(4), seq: 1, correctsId: null, seenAt: AT, sentAt: AT };
const sentBook = (kind: SubjectKind, change: string) => (body: unknown) =>
  answered(readSentBook(JSON.parse(JSON.stringify({ ...bookIds, subject: { kind, id: uuid(5) }, change, body }))));
const envelopes = (read: (raw: unknown) => unknown, whole: Record<string, unknown>) =>
  Object.keys(whole).map((field) => [field, SPOILT.map((value) => read({ ...whole, [field]: value }))]);

// A shop in memory: every entry in its place, refused as the store would.

interface Happened {
  book: BookEntry[];
  run: Entry[];
  refused: string[];
  shop: RandomShop;
}
function memory(): { happened: Omit<Happened, 'shop'>; take: ConstructorParameters<typeof RandomShop>[2] } {
  const happened: Omit<Happened, 'shop'> = { book: [], run: [], refused: [] };
  const under = (id: string) => happened.book.filter((e) => e.subject.id === id);
  const now: BookNow = {
    get: (kind, id) => stateOf(kind, id, under(id)),
    hangsOn: ({ id }) => (happened.book.some((e) => e.subject.id !== id && JSON.stringify(e.body).includes(id)) ? 'something of it' : null),
    hasChain: (visitId, runId) => happened.run.some((e) => e.visitId === visitId && e.runId === runId && e.kind === 'chain-accepted'),
    hasRecord: (visitId, runId) => happened.run.some((e) => e.visitId === visitId && e.runId === runId),
  };
  const take = async ({ isBook, entries }: { isBook: boolean; entries: Any[] }, at: Date) =>
    entries.map((sent) => {
      const entry = { ...sent, recordedAt: at.toISOString() };
      if (!isBook) {
        happened.run.push(entry as Entry);
        return { status: 'kept' };
      }
      const no = bookRefusal(entry as BookEntry, under((entry as BookEntry).subject.id), now);
      if (no) happened.refused.push(`${(entry as BookEntry).subject.kind} ${(entry as BookEntry).change}: ${no.why}`);
      else happened.book.push(entry as BookEntry);
      return { status: no ? 'refused' : 'kept', ...(no ? { rule: no.rule } : {}) };
    });
  return { happened, take };
}
async function happenedIn(seed: number, steps: number): Promise<Happened> {
  const { happened, take } = memory();
  let made = seed * 10_000;
  const shop = new RandomShop(SHOP, chanceOf(seed), take, () => uuid(++made));
  await shop.begin();
  for (let i = 0; i < steps; i++) await shop.step();
  await shop.end();
  return { ...happened, shop };
}
const shops = await Promise.all(Array.from({ length: 14 }, (_, i) => happenedIn(i + 1, 130)));

const CATALOGUE = { appliances: [CONTEXT.appliance], steps: CONTEXT.stepData, parts: [...HOSES], look: CONTEXT.look };
function* shopCases({ book, run, refused, shop }: Happened, n: number): Generator<[string, () => unknown]> {
  const bySubject = [...new Set(book.map((e) => `${e.subject.kind} ${e.subject.id}`))];
  const ofKind = (kind: SubjectKind) => bySubject.flatMap((s) => (s.startsWith(`${kind} `) ? [s.slice(kind.length + 1)] : []));
  const houses = () => ofKind('premises').flatMap((id) => premisesBook(id, book) ?? []);
  const stocked = (): StockedPlace[] => {
    const items = [...new Set(book.flatMap((e) => (typeof e.body.item === 'string' ? [e.body.item] : [])))];
    const levels = items.map(
      (item) =>
        [
          item,
          toldOf(
            item,
            book.filter((e) => e.subject.kind === 'stock' && (e.body.item === item || e.change === 'withdrawn')),
          ),
        ] as const,
    );
    return ofKind('stock').flatMap((id) => {
      const place = stateOf(
        'stock',
        id,
        book.filter((e) => e.subject.id === id),
      );
      return place
        ? [
            {
              id,
              name: place.name,
              kind: place.kind,
              items: levels.flatMap(([item, at]) => {
                const told = at.get(id);
                return told ? [{ item, quantity: told.quantity, minimum: told.minimum }] : [];
              }),
            },
          ]
        : [];
    });
  };
  const days = (): DayVisit[] =>
    houses().flatMap((house) =>
      house.visits.map((v) =>
        dayVisitOf(
          sheetFrom(
            house,
            v.id,
            run.filter((e) => e.visitId === v.id),
          )!,
          CATALOGUE,
        ),
      ),
    );
  const at = shop.now;
  yield [`shop ${n}: refused`, () => refused];
  yield [`shop ${n}: tally`, () => [...shop.tally].sort()];
  for (const kind of subjects.map((s) => s.name))
    yield [
      `shop ${n}: each ${kind}`,
      () =>
        ofKind(kind).map((id) => {
          const standing = standingOf(
            kind,
            id,
            book.filter((e) => e.subject.id === id),
          );
          return [standing, standing.state && subjectOf(kind).nameOf(standing.state as never)];
        }),
    ];
  yield [`shop ${n}: told`, () => bookHappenings(book, NO_WORDS).map((h) => [h.who, h.what, h.before, h.withdrawn?.reason])];
  yield [`shop ${n}: houses`, () => houses()];
  yield [`shop ${n}: rows`, () => houses().map((h) => [h.visits.map((v) => runRowsOf(h, v)), waitingOf(h)])];
  yield [`shop ${n}: water`, () => houses().map((h) => [networkOf(h.premises.water, triedIn(run)), h.premises.water.map(asDrawn), triedIn(run)])];
  yield [
    `shop ${n}: stock`,
    () => {
      const places = stocked();
      return [
        places,
        reorderOf(places),
        vanOf(places),
        stockOf(vanOf(places)),
        elsewhereOf('hose', places, vanOf(places)),
        withWaiting(places, book.slice(-20)),
        reorderRows(reorderOf(places), {
          nameOf: (i: string) => i,
          coilIn: (i: string) => (i === 'hose' ? 100 : null),
          placeOf: (i: string) => i,
        } as never),
      ];
    },
  ];
  yield [`shop ${n}: visits`, () => days().map((d) => [d, spanOf(d), statusOf(d.visit, d.runs)])];
  yield [
    `shop ${n}: day`,
    () =>
      ['2026-04-14', '2026-04-15', '2026-04-20'].map((day) => {
        const sheet = daySheetOf(day, days(), stocked(), at, houses().flatMap(waitingOf));
        return [
          sheet,
          runsWithoutChain(sheet.visits).map((c) => [c.run.id, c.ends]),
          JSON.stringify(unpackDay(packDay(sheet))) === JSON.stringify(sheet),
        ];
      }),
  ];
  yield [
    `shop ${n}: week`,
    () => {
      const week = weekSheetOf('2026-04-13', days(), houses().flatMap(waitingOf), stocked(), at);
      return [week, openRunsOf(days(), '2026-04-14'), overlapsOf(days()), JSON.stringify(unpackWeek(packWeek(week))) === JSON.stringify(week)];
    },
  ];
  yield [
    `shop ${n}: load`,
    () => {
      const loads = loadOf(
        days().map((d) => ({ vanId: d.visit.vanId, runs: d.runs })),
        stocked(),
      );
      return [loads, loads.map(movesFor)];
    },
  ];
  yield [
    `shop ${n}: files`,
    () => [
      run.slice(0, 3).map((e) => [filedEntry.safeParse(e).success, sentEntry.safeParse(e).success]),
      book.slice(0, 3).map((e) => [filedBookEntry.safeParse(e).success, sentBookEntry.safeParse(e).success, answered(readFiledBook(e))]),
    ],
  ];
}

// Visits by real parts, worked through.

const seeds = Array.from({ length: 12 }, (_, i) => i + 101);
const worked = new Map<number, ReturnType<typeof walked>>();
const visitOf = (seed: number) => {
  const walk = worked.get(seed) ?? walked(chanceOf(seed), 60);
  worked.set(seed, walk);
  const { context, entries } = walk;
  const arrivedMs = seed % 3 === 0 ? null : Date.parse(AT);
  const visit: VisitHead = {
    id: uuid(seed),
    title: 'Drip',
    onDate: '2026-04-14',
    startsAt: '09:00',
    minutes: seed % 2 ? 45 : null,
    note: null,
    vanId: null,
    cancelled: null,
    arrivedMs,
    leftMs: seed % 4 === 0 ? null : Date.parse(AT) + 3_000_000,
    premises: { id: uuid(7), name: 'Lodge', timeZone: 'Europe/Vienna', address: null },
  };
  const run: RunRow = {
    id: context.runId,
    name: 'Line',
    water: context.water,
    applianceKind: seed % 5 === 0 ? 'no such' : context.appliance.id,
    applianceName: 'It',
    place: 'Bath',
    checkPoints: context.checkPoints,
    work: context.work,
    told: [],
    recheckOf: null,
    removed: seed % 7 === 0 ? 'not needed' : null,
  };
  const all = { appliances: shipped.appliances, steps: shipped.steps, parts: shipped.parts, loose: shipped.loose, look: shipped.look };
  const sheet = { visit, runs: [run], entries, gathered: { pictures: [], notes: [], signatures: [] }, mainValve: null };
  return { sheet, all, reads: readRuns(sheet, all) };
};
const MONEY = [
  { minuteCents: 150, calloutCents: 4500, taxPercent: 8.25 },
  { minuteCents: null, calloutCents: null, taxPercent: null },
];

held(import.meta.url, [
  ...Object.entries(BODIES).flatMap(([kind, body]) => [...spoilt(kind, body as never, sentRun(kind))]),
  ...subjects.flatMap((s) =>
    Object.keys(s.changes).flatMap((change) => [
      ...spoilt(`${s.name} ${change}`, shops[0]!.shop.bookBody(s.name, change, uuid(5)), sentBook(s.name, change)),
    ]),
  ),
  ['envelope of a run', () => envelopes((raw) => answered(readSent(raw)), { ...runIds, personId: null, kind: 'noted', body: { text: 'x' } })],
  [
    'envelope of the book',
    () =>
      envelopes((raw) => answered(readSentBook(raw)), {
        ...bookIds,
        personId: null,
        subject: { kind: 'place', id: uuid(5) },
        change: 'changed',
        body: { name: 'x' },
      }),
  ],
  ...shops.flatMap((happened, i) => [...shopCases(happened, i + 1)]),
  ...seeds.flatMap(
    (seed) =>
      [
        [
          `visit ${seed}: certificate`,
          () => {
            const { sheet, reads } = visitOf(seed);
            return certificateOf(sheet.visit, reads, DUTIES);
          },
        ],
        [
          `visit ${seed}: money`,
          () => {
            const { sheet, reads } = visitOf(seed);
            return MONEY.map((money) => {
              const shop = { ...stateOf('shop', SHOP, [])!, ...money };
              const runs = reads.map((r) => dayRunOf(r.run, summaryOf(r)));
              return [estimateOf({ visit: sheet.visit, runs }, reads, shop), cameTo(sheet.visit, reads, shop)];
            });
          },
        ],
        [
          `visit ${seed}: rows`,
          () => {
            const { sheet, all } = visitOf(seed);
            return [recordRows(sheet, all), recordRows(sheet, all, 'metric').length, deviceNames(sheet.entries)('b')];
          },
        ],
        [
          `visit ${seed}: summary`,
          () => {
            const { sheet, all, reads } = visitOf(seed);
            return [
              reads.map(summaryOf),
              dayVisitOf(sheet, all, { entriesOf: () => undefined, bookedOn: () => '2026-04-20' }),
              statusOf(sheet.visit, dayVisitOf(sheet, all).runs),
            ];
          },
        ],
      ] as [string, () => unknown][],
  ),
  ...sampled(
    'when',
    fc
      .array(
        fc.constantFrom(
          'tomorrow',
          'fri',
          'next',
          'monday',
          'in',
          'two',
          '3',
          'weeks',
          'days',
          'at',
          '10',
          '14:30',
          '2 pm',
          '12am',
          'noon',
          'half past',
          'nine',
          '12/1',
          '1/15',
          '2026-12-24',
          'dec',
          '3rd',
          'the',
          'of',
          'morning',
          'x',
          '25:00',
          '0930',
        ),
        { minLength: 1, maxLength: 4 },
      )
      .map((w) => w.join(' ')),
    200,
    (text) => [text, readWhen(text, '2026-11-26')],
  ),
  ...shipped.workKinds.map(
    (w) => [`minutes of ${w.id}`, () => [minutesOfWork(w.id), minutesOfWork(w.id, { [w.id]: recordOfMinutes([30, 45, 90]) })]] as const,
  ),
  [
    'minutes of several',
    () => [
      workMinutes([]),
      workMinutes(['toilet-line']),
      workMinutes(['toilet-line', 'stop-replace']),
      ownVisits(['toilet-line'], { 'toilet-line': recordOfMinutes([30, 45]) }),
      minutesOfOne(20),
      minutesOfOne(200),
      oneAfterAnother([
        { usual: 10, slow: 20 },
        { usual: 5, slow: 5 },
      ]),
      minutesFrom({ usual: 10, slow: 30 }, { n: 0, sumLn: 0, sumLn2: 0 }),
      minutesFrom({ usual: 10, slow: 30 }, recordOfMinutes([20, 20, 25])),
    ],
  ],
  ...[
    {},
    { push: 'never' },
    { push: 'no such' },
    { turns: { washer: 0.5 } },
    { weights: null },
    { dueMonths: { stop: 6 } },
    { recheckHours: 0 },
    { maxAgeYears: { braided: 3 }, connector: 'reuse if sound' },
  ].map(
    (said, i) =>
      [
        `rules ${i}`,
        () => {
          const now = rulesAfter(defaultRules, said);
          return [
            now,
            rulesChanged(defaultRules, now),
            rulesChanged(now, defaultRules),
            upcastRules(said as never),
            Object.entries(now).map(([f, v]) => ruleWords(f, v)),
          ];
        },
      ] as const,
  ),
  ['rules of nothing', () => [upcastRules(null), upcastRules(undefined)]],
  ...[[null, null], [1, 2, 3], [3, 2, 1], [null, 5, null, 2, 9], [1, 1, 1], [], [0, null, 1]].map(
    (kept, i) => [`places ${i}`, () => placesFor(kept)] as const,
  ),
  ...[
    'UTC',
    'Europe/Vienna',
    'europe/vienna',
    'SystemV/AST4',
    'EST',
    'Asia/Calcutta',
    'Asia/Kolkata',
    'No/Where',
    '',
    'GMT+1',
    'Etc/GMT+1',
    'Factory',
  ].map((zone) => [`zone ${zone}`, () => [isZone(zone), zoneForAll(zone)]] as const),
  ...['2026-03-29', '2026-10-25', '2026-01-01', '2024-02-29'].flatMap((day) =>
    ['00:00', '02:30', '23:59'].map(
      (time) =>
        [
          `hour ${day} ${time}`,
          () =>
            ['UTC', 'Europe/Vienna', 'America/New_York', 'Asia/Kolkata'].map((zone) => [
              instantOf(day, time, zone),
              localDayOf(instantOf(day, time, zone), zone),
            ]),
        ] as const,
    ),
  ),
  ...['2026-03-01', '2026-12-28', '2027-01-03'].map(
    (day) => [`around ${day}`, () => [addDays(day, -1), addDays(day, 1), addDays(day, 40), mondayOf(day)]] as const,
  ),
  ...['00:00', '09:07', '09:08', '23:50'].map(
    (time) => [`moved from ${time}`, () => [minuteOf(time), ...[-30, 0, 7, 8, 90, 5000].map((by) => movedBy(time, by))]] as const,
  ),
  [
    'known things',
    () =>
      knownThings([
        { id: 'a', name: 'A', water: 'hot', stop: { kind: 'gate', condition: 'passes' }, mixesAt: 'x' },
        { id: 'b', name: 'B', water: 'cold', stop: null, mixesAt: 'x' },
      ]),
  ],
  ['few', () => [few([]), few(['a']), few(['a', 'b', 'c', 'd']), few(['a', 'b', 'c', 'd', 'e']), few(['a', 'b', 'c'], 1)]],
  ['storable', () => ['a', '\u0000', '\ud800', '\ud83d\ude00', 'x\udc00'].map(isStorable)],
  [
    'unstorable',
    () => [
      unstorable({ a: ['x', { b: '\u0000' }] }),
      unstorable({ '\u0000': 1 }),
      unstorable(JSON.parse(`${'['.repeat(80)}${']'.repeat(80)}`)),
      unstorable([1, null, true]),
      pathText(['a', 0, 'b']),
    ],
  ],
  [
    'seen too late',
    () =>
      [AT, '2026-05-20T09:00:00.001Z', '2026-05-21T09:00:00.000Z'].map((seenAt) => isSeenTooLate({ seenAt, sentAt: AT, recordedAt: AT } as never)),
  ],
  ['kinds', () => kinds.map((k) => [k.name, k.about, k.counts])],
]);
