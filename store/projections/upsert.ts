/** Pieces of an insert of rows that may be there already. */
import type { Tx } from '../database/index.ts';

/** Columns as they come, where a row is there already. */
export const setTo = (tx: Tx, columns: string[]) => columns.map((c) => tx`${tx(c)} = excluded.${tx(c)}`).reduce((all, one) => tx`${all}, ${one}`);

/** A row that says the same already is left alone: it costs nothing then to derive all anew. */
export const differs = (tx: Tx, table: string, columns: string[]) => {
  const those = (of: string) => columns.map((c) => tx`${tx(`${of}.${c}`)}`).reduce((all, one) => tx`${all}, ${one}`);
  return tx`(${those(table)}) is distinct from (${those('excluded')})`;
};
