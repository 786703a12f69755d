/** Digests of entries that were kept before every entry had one. */

import type { Sql } from '../database/index.ts';
import { type BookRow, bookColumns, bookEntryOf, digestOf, type EntryRow, entryAsWritten, entryColumns, shopKey } from '../rows/index.ts';

const SLICE = 2000;

type AnyRow = (BookRow | (EntryRow & { subject_kind: null })) & { erased: string | null };

/** @returns how many got theirs */
export async function carryDigests(sql: Sql, shopId: string): Promise<number> {
  const key = await shopKey(sql, shopId);
  const columns = [...new Set([...entryColumns, ...bookColumns])];
  for (let n = 0; ; ) {
    const rows = await sql<AnyRow[]>`
      select ${sql(columns)} from entry where shop_id = ${shopId} and digest is null order by position limit ${SLICE}`;
    if (rows.length === 0) return n;
    const digests = rows.map((row) => row.erased ?? digestOf(row.subject_kind === null ? entryAsWritten(row) : bookEntryOf(row), key));
    await sql`select keep_digests(${shopId}, ${rows.map((r) => r.entry_id)}::uuid[], ${digests}::text[])`;
    n += rows.length;
  }
}
