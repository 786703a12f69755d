/** Entries of stock places: years of them, of which a change asks for few. */
import type { BookEntry } from '../../record/book/entry.ts';
import { bookColumns, type PlacedBookEntry, type PlacedBookRow, placedBookEntryOf } from '../book-row.ts';
import type { Sql, Tx } from '../connection.ts';

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
