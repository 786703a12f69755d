/** Entries of stock places: years of them, of which a change asks for few. */
import type { BookEntry } from '../../record/index.ts';
import { groupBy, type Sql, type Tx } from '../database/index.ts';
import { bookColumns, type PlacedBookEntry, type PlacedBookRow, placedBookEntryOf } from '../rows/index.ts';

/** What made some stock places (or whatever else has their ids), and what the given entries name, with all that was said of that. */
export async function stockEntriesFor(sql: Sql | Tx, shopId: string, placeIds: string[], entries: BookEntry[]): Promise<PlacedBookEntry[]> {
  if (placeIds.length === 0) return [];
  const named = entries.flatMap((e) => e.correctsId ?? []);
  const rows = await sql<PlacedBookRow[]>`
    with recursive
      up (entry_id, corrects_id) as (
        select entry_id, corrects_id from entry where shop_id = ${shopId} and entry_id = any(${named}::uuid[])
        union select e.entry_id, e.corrects_id from entry e join up on e.shop_id = ${shopId} and e.entry_id = up.corrects_id),
      whole (entry_id) as (
        select entry_id from up
        union select entry_id from entry where shop_id = ${shopId} and subject_id = any(${placeIds}::uuid[]) and kind in ('place-made', 'made')
        union select e.entry_id from entry e join whole on e.shop_id = ${shopId} and e.corrects_id = whole.entry_id)
    select ${sql([...bookColumns, 'position'])} from entry where shop_id = ${shopId} and entry_id in (select entry_id from whole) order by position`;
  return rows.map(placedBookEntryOf);
}

/** All that was said of some items, of whatever place, by item; what was said of another and corrected to it, or from it, among it. */
export async function stockEntriesOfItems(sql: Sql | Tx, shopId: string, items: string[]): Promise<Map<string, PlacedBookEntry[]>> {
  const rows = await sql<PlacedBookRow[]>`
    with recursive
      named (entry_id, corrects_id) as (
        select entry_id, corrects_id from entry where shop_id = ${shopId} and subject_kind = 'stock' and body ->> 'item' = any(${items})
        union select e.entry_id, e.corrects_id from entry e join named on e.shop_id = ${shopId} and e.entry_id = named.corrects_id),
      whole (entry_id) as (
        select entry_id from named
        union select e.entry_id from entry e join whole on e.shop_id = ${shopId} and e.corrects_id = whole.entry_id)
    select ${sql([...bookColumns, 'position'])} from entry where shop_id = ${shopId} and entry_id in (select entry_id from whole) order by position`;
  const entries = rows.map(placedBookEntryOf);
  const byId = new Map(entries.map((e) => [e.id, e]));
  const firstOf = (e: PlacedBookEntry): string => {
    const before = e.correctsId === null ? undefined : byId.get(e.correctsId);
    return before ? firstOf(before) : e.id;
  };
  // A correction may name another item: what was said together is read together.
  const found = new Map<string, PlacedBookEntry[]>();
  for (const together of groupBy(entries, firstOf).values()) {
    for (const item of new Set(together.flatMap((e) => (typeof e.body.item === 'string' ? [e.body.item] : [])))) {
      const list = found.get(item);
      if (list) list.push(...together);
      else found.set(item, [...together]);
    }
  }
  return found;
}

const MOST = 100;

/** What was said last of a stock place, moves to it among it, with what that corrects and what corrects it, oldest first. */
export async function stockHistory(sql: Sql, shopId: string, placeId: string): Promise<PlacedBookEntry[]> {
  const rows = await sql<PlacedBookRow[]>`
    with recursive
      latest (entry_id, corrects_id) as (
        (select entry_id, corrects_id from entry where shop_id = ${shopId} and subject_id = ${placeId} order by position desc limit ${MOST})
        union all
        (select entry_id, corrects_id from entry where shop_id = ${shopId} and subject_kind = 'stock' and body ->> 'toId' = ${placeId} order by position desc limit ${MOST})),
      up (entry_id, corrects_id) as (
        select entry_id, corrects_id from latest
        union select e.entry_id, e.corrects_id from entry e join up on e.shop_id = ${shopId} and e.entry_id = up.corrects_id),
      whole (entry_id) as (
        select entry_id from up
        union select e.entry_id from entry e join whole on e.shop_id = ${shopId} and e.corrects_id = whole.entry_id)
    select ${sql([...bookColumns, 'position'])} from entry where shop_id = ${shopId} and entry_id in (select entry_id from whole) order by position`;
  return rows.map(placedBookEntryOf);
}
