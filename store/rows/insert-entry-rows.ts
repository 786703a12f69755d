import type { BookEntry, Entry } from '../../record/index.ts';
import { inSlices, type Tx } from '../database/index.ts';
import { digestOf, shopKey } from './digest.ts';

/** As many as take a few milliseconds to write out. */
const SLICE = 250;

type Placed = (Entry | BookEntry) & { sentAt: string; recordedAt: string; position: number; erased?: string };

/** What every entry has, of a run or of the book. */
const STAMPED = {
  entry_id: 'uuid',
  kind: 'text',
  corrects_id: 'uuid',
  device_id: 'uuid',
  person_id: 'uuid',
  seq: 'int',
  seen_at: 'timestamptz',
  sent_at: 'timestamptz',
  recorded_at: 'timestamptz',
  position: 'bigint',
  body: 'jsonb',
  digest: 'text',
};

const stampedOf = (e: Placed, key: string) => ({
  entry_id: e.id,
  kind: 'kind' in e ? e.kind : e.change,
  corrects_id: e.correctsId,
  device_id: e.deviceId,
  person_id: e.personId ?? null,
  seq: e.seq ?? null,
  seen_at: e.seenAt,
  sent_at: e.sentAt,
  recorded_at: e.recordedAt,
  position: e.position,
  body: e.body,
  digest: e.erased ?? digestOf(e, key),
});

/**
 * Appends entries to those of a shop, each slice as one value: a statement of some ten thousand values takes the database longer to read than to
 * carry out. Others have their turn between two slices.
 *
 * @param columns that only these have, by their types
 */
export async function insertEntryRows<E extends Placed, C extends string>(
  tx: Tx,
  shopId: string,
  entries: readonly E[],
  columns: Record<C, string>,
  rowOf: (entry: E) => Record<C, string | null>,
): Promise<void> {
  const key = await shopKey(tx, shopId);
  const all = Object.entries({ ...STAMPED, ...columns });
  const names = tx.unsafe(all.map(([name]) => name).join(', '));
  const typed = tx.unsafe(all.map(([name, type]) => `${name} ${type}`).join(', '));
  for await (const slice of inSlices(entries, SLICE)) {
    const rows = slice.map((e) => ({ ...stampedOf(e, key), ...rowOf(e) }));
    await tx`
      insert into entry (shop_id, ${names})
      select ${shopId}, r.* from jsonb_to_recordset(${tx.json(rows as never)}) as r (${typed})`;
  }
}
