import { inSlices, type Tx } from '../database/index.ts';

/** As many as take a few milliseconds to write out. */
const SLICE = 250;

/**
 * Appends rows to the entries of a shop, each slice as one value: a statement of some ten thousand values takes the database longer to read than
 * to carry out. Others have their turn between two slices.
 *
 * @param columns by their types
 */
export async function insertEntryRows<E>(
  tx: Tx,
  shopId: string,
  columns: Record<string, string>,
  entries: readonly E[],
  rowOf: (entry: E) => object,
): Promise<void> {
  const names = tx.unsafe(Object.keys(columns).join(', '));
  const typed = tx.unsafe(
    Object.entries(columns)
      .map(([name, type]) => `${name} ${type}`)
      .join(', '),
  );
  for await (const slice of inSlices(entries, SLICE)) {
    await tx`
      insert into entry (shop_id, ${names})
      select ${shopId}, r.* from jsonb_to_recordset(${tx.json(slice.map(rowOf) as never)}) as r (${typed})`;
  }
}
