/** Tables of what a shop looks after, derived from what was said of it; each row names the entry it is up to. */
import {
  type BookEntry,
  type Gathered,
  isSeenTooLate,
  ordered,
  resolved,
  type States,
  type SubjectKind,
  type SubjectRef,
  stateOf,
  zoneForAll,
} from '../../record/index.ts';
import { groupBy, type Tx } from '../database/index.ts';
import { digestOf, type PlacedBookEntry, shopKey } from '../rows/index.ts';
import type { Derived } from './derived.ts';
import { followBook } from './ledger.ts';
import { keepParts, keepRules, keepShop } from './shop.ts';
import { keepStockPlaces } from './stock.ts';
import { differs, setTo } from './upsert.ts';
import { keepVans } from './uses.ts';

/** Of which table a kind's rows are; what lies on shelves and vans is another matter (`stock.ts`). */
const TABLES = { premises: 'premises', place: 'place', appliance: 'appliance', run: 'run', visit: 'visit', 'follow-up': 'follow_up' } as const;
type Tabled = keyof typeof TABLES;

/** Parents before what hangs on them. */
const ORDER: Tabled[] = ['premises', 'place', 'appliance', 'run', 'visit', 'follow-up'];
/** What nothing hangs on. */
const REST = ['stock', 'shop', 'rules', 'part'] as const;

/** Most visits have nothing beside the work. */
const isEmpty = (g: Gathered): boolean => g.pictures.length + g.notes.length + g.signatures.length === 0;

/** How many subjects are derived in one go: a statement takes 65,534 values. */
const SLICE = 1000;

type Row = Record<string, unknown>;

/** Columns of a subject beside its id, whether it is gone, and what it is up to. */
const COLUMNS: { [K in Tabled]: (tx: Tx, now: States[K]) => Row } = {
  premises: (tx, p) => ({
    name: p.name,
    time_zone: zoneForAll(p.timeZone),
    address: p.address,
    access: p.access,
    main_valve: p.mainValve,
    quiet: p.quiet && tx.json(p.quiet),
    contact: p.contact && tx.json(p.contact as never),
    contact_erased_by: p.contactErasedBy,
    retired: p.retired,
  }),
  place: (_, p) => ({ premises_id: p.premisesId, name: p.name, retired: p.retired }),
  appliance: (tx, a) => ({
    premises_id: a.premisesId,
    place_id: a.placeId,
    kind: a.kind,
    name: a.name,
    sheet: a.sheet && tx.json(a.sheet),
    retired: a.retired,
  }),
  run: (_, r) => ({ appliance_id: r.applianceId, water: r.water, name: r.name, retired: r.retired }),
  visit: (tx, v) => ({
    premises_id: v.premisesId,
    on_date: v.onDate,
    starts_at: v.startsAt,
    minutes: v.minutes,
    title: v.title,
    note: v.note,
    van_id: v.vanId,
    cancelled: v.cancelled,
    arrived_at: v.arrivedMs === null ? null : new Date(v.arrivedMs),
    left_at: v.leftMs === null ? null : new Date(v.leftMs),
    gathered: isEmpty(v.gathered) ? null : tx.json(v.gathered as never),
  }),
  'follow-up': (_, f) => ({
    premises_id: f.premisesId,
    run_id: f.runId,
    due_on: f.dueOn,
    body: f.text,
    closed_reason: f.closed?.reason ?? null,
    closed_visit_id: f.closed?.visitId ?? null,
    closed_at: f.closed && new Date(f.closed.atMs),
  }),
};

/** Brings the tables up to what was said of some subjects. */
export async function deriveBook(tx: Tx, shopId: string, refs: SubjectRef[], entriesOf: (subjectId: string) => PlacedBookEntry[]): Promise<void> {
  for (const slice of parentsFirst(refs)) await deriveTables(tx, shopId, slice, entriesOf);
  await keepSearch(tx, shopId, refs);
  const ids = (kind: SubjectKind) => refs.filter((r) => r.kind === kind).map((r) => r.id);
  await followBook(tx, shopId, {
    premises: ids('premises'),
    places: ids('place'),
    appliances: ids('appliance'),
    runs: ids('run'),
    visits: ids('visit'),
  });
}

/** Parents before what hangs on them, no more at once than a statement takes. */
function parentsFirst(refs: SubjectRef[]): SubjectRef[][] {
  const place = new Map<SubjectKind, number>(([...ORDER, ...REST] as SubjectKind[]).map((kind, i) => [kind, i]));
  const sorted = [...refs].sort((a, b) => place.get(a.kind)! - place.get(b.kind)!);
  return Array.from({ length: Math.ceil(sorted.length / SLICE) }, (_, i) => sorted.slice(i * SLICE, (i + 1) * SLICE));
}

async function deriveTables(tx: Tx, shopId: string, refs: SubjectRef[], entriesOf: (subjectId: string) => PlacedBookEntry[]): Promise<void> {
  const of = <K extends SubjectKind>(kind: K) => refs.filter((r) => r.kind === kind).map((r) => standing(kind, r.id, entriesOf(r.id)));
  for (const { entries } of of('premises')) await eraseContacts(tx, shopId, entries);
  for (const kind of ORDER) await keepRows(tx, shopId, kind, of(kind) as never);
  await keepCheckPoints(tx, shopId, of('run'));
  await keepLists(tx, shopId, of('visit'));
  await keepVans(
    tx,
    shopId,
    of('visit').map((v) => v.id),
  );
  await keepStockPlaces(tx, shopId, of('stock'));
  await keepShop(tx, shopId, of('shop'));
  await keepRules(tx, shopId, of('rules'));
  await keepParts(tx, shopId, of('part'));
}

function standing<K extends SubjectKind>(kind: K, id: string, underId: PlacedBookEntry[]): Derived<K> {
  // The shop and its house rules share an id.
  const entries = underId.filter((e) => e.subject.kind === kind);
  return { id, state: stateOf(kind, id, entries), entries, upTo: entries.reduce((most, e) => Math.max(most, e.position), 0) };
}

async function keepRows<K extends Tabled>(tx: Tx, shopId: string, kind: K, derived: Derived<K>[]): Promise<void> {
  if (derived.length === 0) return;
  const table: string = TABLES[kind];
  const key = `${table}_id`;
  const rows = derived.flatMap(({ id, state, upTo }) =>
    state ? [{ shop_id: shopId, [key]: id, gone: false, up_to: upTo, ...COLUMNS[kind](tx, state) }] : [],
  );
  if (rows.length > 0) {
    const columns = Object.keys(rows[0]!).filter((c) => c !== 'shop_id' && c !== key);
    await tx`
      insert into ${tx(table)} ${tx(rows as never)} on conflict (shop_id, ${tx(key)}) do update set ${setTo(tx, columns)} where ${differs(tx, table, columns)}`;
  }
  const gone = derived.filter((d) => d.state === null).map((d) => d.id);
  if (gone.length > 0) await tx`update ${tx(table)} set gone = true where shop_id = ${shopId} and ${tx(key)} = any(${gone}::uuid[])`;
}

/** What premises are found by: brought up where they or what stands there was named anew. */
async function keepSearch(tx: Tx, shopId: string, refs: SubjectRef[]): Promise<void> {
  const ids = (kind: SubjectKind) => refs.filter((r) => r.kind === kind).map((r) => r.id);
  const [own, places, appliances] = [ids('premises'), ids('place'), ids('appliance')];
  if (own.length + places.length + appliances.length === 0) return;
  await tx`
    ${searched(tx)}
    from (select unnest(${own}::uuid[]) as id
      union select premises_id from place where shop_id = ${shopId} and place_id = any(${places}::uuid[])
      union select premises_id from appliance where shop_id = ${shopId} and appliance_id = any(${appliances}::uuid[])) touched
    where p.shop_id = ${shopId} and p.premises_id = touched.id`;
}

const searched = (tx: Tx) => tx`
    update premises p set search = lower(concat_ws(' ', p.name, p.address, p.contact ->> 'name', p.contact ->> 'phone', p.contact ->> 'email',
      (select string_agg(l.name, ' ' order by l.place_id) from place l
        where l.shop_id = p.shop_id and l.premises_id = p.premises_id and not l.gone and l.retired is null),
      (select string_agg(a.name, ' ' order by a.appliance_id) from appliance a
        where a.shop_id = p.shop_id and a.premises_id = p.premises_id and not a.gone and a.retired is null)))`;

async function keepCheckPoints(tx: Tx, shopId: string, runs: Derived<'run'>[]): Promise<void> {
  const rows = runs.flatMap(({ id, state }) =>
    (state?.checkPoints ?? []).map((c) => ({ shop_id: shopId, check_point_id: c.id, run_id: id, kind: c.kind, name: c.name })),
  );
  if (rows.length === 0) return;
  const columns = ['kind', 'name'];
  await tx`insert into check_point ${tx(rows)} on conflict (shop_id, check_point_id) do update set ${setTo(tx, columns)}
    where ${differs(tx, 'check_point', columns)}`;
}

/** The runs of visits, in their order. One whose place on the list was taken back is not there. */
async function keepLists(tx: Tx, shopId: string, visits: Derived<'visit'>[]): Promise<void> {
  const made = visits.filter((v) => v.state !== null);
  if (made.length === 0) return;
  const rows = made.flatMap(({ id, state }) =>
    state!.runs.map((r, i) => ({
      shop_id: shopId,
      visit_id: id,
      run_id: r.runId,
      place_in_order: i,
      work: r.work,
      told: tx.json(r.told as never),
      recheck_of: r.recheckOf,
      removed: r.removed,
    })),
  );
  const ids = made.map((v) => v.id);
  const isListed = tx`(visit_id, run_id) in (select * from unnest(${rows.map((r) => r.visit_id)}::uuid[], ${rows.map((r) => r.run_id)}::uuid[]))`;
  await tx`delete from derived_run where shop_id = ${shopId} and visit_id = any(${ids}::uuid[]) and up_to = 0 and not ${isListed}`;
  await tx`delete from visit_run where shop_id = ${shopId} and visit_id = any(${ids}::uuid[]) and not ${isListed}`;
  if (rows.length === 0) return;
  const columns = ['place_in_order', 'work', 'told', 'recheck_of', 'removed'];
  await tx`
    insert into visit_run ${tx(rows as never)} on conflict (shop_id, visit_id, run_id) do update set ${setTo(tx, columns)}
      where ${differs(tx, 'visit_run', columns)}`;
}

/**
 * Where a contact was erased, it goes from all that was said before, what came in late and what only a wrong clock dates later among it; what each
 * entry said stays known by a digest.
 */
async function eraseContacts(tx: Tx, shopId: string, entries: BookEntry[]): Promise<void> {
  const inOrder = ordered(entries);
  const erased = inOrder.findLastIndex((e) => e.change === 'contact-erased');
  if (erased === -1) return;
  // Where a clock was so wrong that nobody knows when it was said, it is not taken for said anew.
  const before = new Set(inOrder.filter((e, i) => i < erased || isSeenTooLate(e)).map((e) => e.id));
  // A correction counts in the place of what it corrects.
  const whole = resolved(entries)
    .filter((f) => before.has(f.first.id))
    .flatMap((f) => [f.first, ...f.later]);
  const saying = whole.filter((e) => 'contact' in e.body);
  if (saying.length === 0) return;
  const key = await shopKey(tx, shopId);
  for (const entry of saying) {
    const digest = digestOf(entry, key);
    await tx`select erase_contact(${shopId}, ${entry.id}, ${digest})`;
    entry.erased = digest;
    const { contact: _, ...rest } = entry.body;
    entry.body = rest;
  }
}

/** Derives all subjects of a shop anew. */
export async function rebuildBook(tx: Tx, shopId: string, entriesOfSubjects: (ids: string[]) => Promise<PlacedBookEntry[]>): Promise<number> {
  let n = 0;
  for (const kind of [...ORDER, ...REST]) {
    const rows = await tx<{ subject_id: string }[]>`
      select distinct subject_id from entry where shop_id = ${shopId} and subject_kind = ${kind} order by subject_id`;
    for (let i = 0; i < rows.length; i += SLICE) {
      const ids = rows.slice(i, i + SLICE).map((r) => r.subject_id);
      const bySubject = groupBy(await entriesOfSubjects(ids), (e) => e.subject.id);
      await deriveTables(
        tx,
        shopId,
        ids.map((id) => ({ kind, id })),
        (id) => bySubject.get(id) ?? [],
      );
      n += ids.length;
    }
  }
  await tx`${searched(tx)} where p.shop_id = ${shopId}`;
  return n;
}
