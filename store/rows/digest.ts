/** What an entry says in a few letters, which tell it again only to who has the shop's key: it stays where a contact is erased. */
import { createHmac } from 'node:crypto';
import { type BookEntry, type Entry, isBookEntry } from '../../record/index.ts';
import type { Sql, Tx } from '../database/index.ts';

/** What digests are made with; the shop's own, and in none of its files. */
export async function shopKey(sql: Sql | Tx, shopId: string): Promise<string> {
  const [row] = await sql<{ key: string }[]>`select key from shop_key where shop_id = ${shopId}`;
  return row?.key ?? '';
}

/**
 * Of all that two of one id must have alike: not of when it was sent and recorded, and not of the person, whom an entry sent again may leave out.
 *
 * @returns HMAC-SHA-256, in 64 hexadecimal digits
 */
export function digestOf(entry: Entry | BookEntry, key: string): string {
  const { id, deviceId, seq = null, seenAt, correctsId } = entry;
  const stamped = { id, deviceId, seq, seenAt, correctsId };
  return createHmac('sha256', key)
    .update(inOneOrder({ ...stamped, ...saidIn(entry) }))
    .digest('hex');
}

function saidIn(entry: Entry | BookEntry): object {
  if (isBookEntry(entry)) return { subject: entry.subject, change: entry.change, body: entry.body };
  const { visitId, runId, jointId, checkPointId, kind } = entry;
  return { visitId, runId, jointId, checkPointId, kind, body: entry.body };
}

/** JSON with the names of every object in one order, however they were sent or kept. */
function inOneOrder(value: unknown): string {
  return JSON.stringify(value, (_, held) =>
    typeof held === 'object' && held !== null && !Array.isArray(held)
      ? Object.fromEntries(Object.entries(held).sort(([a], [b]) => (a < b ? -1 : 1)))
      : held,
  );
}
