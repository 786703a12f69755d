import { addDays } from '../../record/index.ts';
import { type Changes, type Holding, type OfflineSnapshot, type Placed, type PlacedBook, SNAPSHOT_DAYS } from '../../sync/protocol.ts';
import { groupBy, type Sql, shopCursor } from '../database/index.ts';
import { type BookRow, bookColumns, bookEntryOf, type EntryRow, entryAsWritten, entryColumns } from '../rows/index.ts';
import { visitsWithRechecks } from './day.ts';
import { shopSince, shopToday } from './shop.ts';
import { visitsBetween } from './visits.ts';

const MOST = 500;

type RunRow = EntryRow & { position: string; subject_kind: null };
type AnyRow = RunRow | (BookRow & { position: string; root_id: string });

const placed = (row: RunRow): Placed => ({ ...entryAsWritten(row), position: Number(row.position) });
const placedBook = (row: BookRow & { position: string; root_id: string }): PlacedBook => ({
  ...bookEntryOf(row),
  position: Number(row.position),
  rootId: row.root_id,
});

/** The premises that an entry of the book belongs to; of the shop and of stock places themselves. */
const root = (sql: Sql) => sql`
  coalesce(case e.subject_kind
    when 'place' then (select p.premises_id from place p where p.shop_id = e.shop_id and p.place_id = e.subject_id)
    when 'appliance' then (select a.premises_id from appliance a where a.shop_id = e.shop_id and a.appliance_id = e.subject_id)
    when 'run' then (select a.premises_id from run r join appliance a on a.shop_id = r.shop_id and a.appliance_id = r.appliance_id
      where r.shop_id = e.shop_id and r.run_id = e.subject_id)
    when 'visit' then (select v.premises_id from visit v where v.shop_id = e.shop_id and v.visit_id = e.subject_id)
    when 'follow-up' then (select f.premises_id from follow_up f where f.shop_id = e.shop_id and f.follow_up_id = e.subject_id)
    else e.subject_id end, e.subject_id)`;

/** What came after a position, oldest first, at most 500 at a time. */
export async function changesAfter(sql: Sql, shopId: string, after: number): Promise<Changes> {
  // Read first: what is kept between the two is told the next time, never passed over.
  const [cursor, shop] = await Promise.all([shopCursor(sql, shopId), shopSince(sql, shopId)]);
  const rows = await sql<AnyRow[]>`
    select ${sql([...entryColumns, 'subject_kind', 'subject_id', 'erased', 'position'])}, case when e.subject_kind is not null then ${root(sql)} end as root_id
    from entry e
    where e.shop_id = ${shopId} and e.position > ${after} and e.position <= ${cursor.position}
      and e.subject_kind is distinct from 'part' order by e.position limit ${MOST}`;
  const entries = rows.flatMap((row) => (row.subject_kind === null ? [placed(row)] : []));
  const book = rows.flatMap((row) => (row.subject_kind === null ? [] : [placedBook(row)]));
  const last = rows.at(-1);
  return { shop, entries, book, position: rows.length < MOST || !last ? cursor.position : Number(last.position), newest: cursor.position };
}

/** What a device takes along for its next days, rechecks of the days before among it. */
export async function offlineSnapshot(sql: Sql, shopId: string, at: Date): Promise<OfflineSnapshot> {
  const [{ position }, shop] = await Promise.all([shopCursor(sql, shopId), shopSince(sql, shopId)]);
  const today = await shopToday(sql, shopId, at);
  const [from, to] = [addDays(today, -1), addDays(today, SNAPSHOT_DAYS)];
  const [due, days] = await Promise.all([visitsWithRechecks(sql, shopId, to), visitsBetween(sql, shopId, from, to)]);
  const visitIds = [...new Set([...due, ...days.map((v) => v.id)])];
  return { shop, shopId, position, from, to, ...(await holding(sql, shopId, { visitIds, subjectIds: [shopId] })) };
}

/** What stands at the premises of some visits and at others that are asked for, with those visits and all that is recorded on them. */
export async function holding(
  sql: Sql,
  shopId: string,
  { visitIds, premisesIds = [], subjectIds = [] }: { visitIds: string[]; premisesIds?: string[]; subjectIds?: string[] },
): Promise<Holding> {
  const [bookRows, rows] = await Promise.all([
    sql<(BookRow & { position: string; root_id: string })[]>`
      with whole (premises_id) as (
        select premises_id from visit where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[])
        union select unnest(${premisesIds}::uuid[])),
      subject (subject_id, root_id) as (
        select premises_id, premises_id from whole
        union all select p.place_id, p.premises_id from place p join whole w on p.shop_id = ${shopId} and p.premises_id = w.premises_id
        union all select a.appliance_id, a.premises_id from appliance a join whole w on a.shop_id = ${shopId} and a.premises_id = w.premises_id
        union all select r.run_id, a.premises_id from appliance a join whole w on a.shop_id = ${shopId} and a.premises_id = w.premises_id
          join run r on r.shop_id = a.shop_id and r.appliance_id = a.appliance_id
        union all select f.follow_up_id, f.premises_id from follow_up f join whole w on f.shop_id = ${shopId} and f.premises_id = w.premises_id
        union all select visit_id, premises_id from visit where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[])
        union all select id, id from unnest(${subjectIds}::uuid[]) as asked (id))
      select ${sql(bookColumns.map((c) => `e.${c}`))}, e.position, s.root_id
      from subject s join entry e on e.shop_id = ${shopId} and e.subject_id = s.subject_id order by e.position`,
    sql<RunRow[]>`
      select ${sql([...entryColumns, 'position'])} from entry
      where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]) order by position`,
  ]);
  const books = [...groupBy(bookRows.map(placedBook), (e) => e.rootId)].map(([id, entries]) => ({ id, entries }));
  return { books, entries: rows.map(placed) };
}
