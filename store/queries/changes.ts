import { addDays } from '../../record/visit/day.ts';
import { type Changes, KIT_DAYS, type Kit, type Placed } from '../../sync/protocol.ts';
import { shopDay } from '../clock.ts';
import type { Sql } from '../connection.ts';
import { shopCursor } from '../cursor.ts';
import { type EntryRow, entryColumns, entryOf } from '../entry-row.ts';
import { visitsWithRechecks } from './day.ts';
import { shopSince } from './shop.ts';
import { visitHeads, visitSheets, visitsBetween } from './visits.ts';

const MOST = 500;

/** What came after a position, oldest first, at most 500 at a time. */
export async function changesAfter(sql: Sql, shopId: string, after: number): Promise<Changes> {
  // Read first: what is kept between the two is told the next time, never passed over.
  const [cursor, shop] = await Promise.all([shopCursor(sql, shopId), shopSince(sql, shopId)]);
  const rows = await sql<(EntryRow & { position: string })[]>`
    select ${sql([...entryColumns, 'position'])} from entry
    where shop_id = ${shopId} and position > ${after} and position <= ${cursor.position} order by position limit ${MOST}`;
  const entries = rows.map((row): Placed => ({ ...entryOf(row), position: Number(row.position) }));
  return { shop, entries, position: rows.length < MOST ? cursor.position : entries.at(-1)!.position, newest: cursor.position, visits: cursor.visits };
}

/** What a device takes along for its next days, rechecks of the days before among it. */
export async function kit(sql: Sql, shopId: string, at: Date): Promise<Kit> {
  const [{ position, visits }, shop] = await Promise.all([shopCursor(sql, shopId), shopSince(sql, shopId)]);
  const today = shopDay(at);
  const [from, to] = [addDays(today, -1), addDays(today, KIT_DAYS)];
  const due = await visitsWithRechecks(sql, shopId, to);
  const days = await visitsBetween(sql, shopId, from, to);
  const known = new Set(days.map((h) => h.id));
  const before = await visitHeads(
    sql,
    shopId,
    due.filter((id) => !known.has(id)),
  );
  const sheets = await visitSheets(sql, shopId, [...before, ...days]);
  return { shop, position, visits, from, to, sheets };
}
