/** The book as a file: every entry, oldest first, a line each; taken into an empty shop and written again, the same lines. */
import { readFiledBook } from '../record/book/shape.ts';
import { appendBook } from './append-book.ts';
import { bookColumns, bookEntryOf, ofShop, type PlacedBookRow } from './book-row.ts';
import { FIRST_SHOP, type Sql } from './connection.ts';
import { ImportError } from './import-error.ts';
import { inShop } from './shop-transaction.ts';

const SLICE = 2000;

/** Every entry of the book, in the shop's order, a slice of lines at a time. */
export async function* exportBook(sql: Sql, shopId: string): AsyncGenerator<string> {
  for (let after = 0; ; ) {
    const rows = await sql<PlacedBookRow[]>`
      select ${sql([...bookColumns, 'position'])} from entry
      where shop_id = ${shopId} and subject_id is not null and position > ${after} order by position limit ${SLICE}`;
    if (rows.length === 0) return;
    after = Number(rows.at(-1)!.position);
    yield rows.map((row) => `${JSON.stringify(ofShop(FIRST_SHOP, bookEntryOf(row)))}\n`).join('');
  }
}

/**
 * Takes a book into a shop that has none, all of it or nothing.
 *
 * @throws ImportError naming line and field
 */
export async function importBook(sql: Sql, shopId: string, text: string): Promise<{ entries: number }> {
  const ids = new Set<string>();
  const entries = text.split('\n').flatMap((line, i) => {
    if (line.trim() === '') return [];
    const read = readFiledBook(jsonOf(line, i));
    if (!read.ok) throw new ImportError(`line ${i + 1}, ${read.at}`, `${read.why}.`);
    if (ids.has(read.entry.id)) throw new ImportError(`line ${i + 1}, id`, 'the entry stands twice in the file.');
    ids.add(read.entry.id);
    return [ofShop(shopId, read.entry)];
  });
  return inShop(sql, shopId, async (tx) => {
    const [row] = await tx`select 1 from entry where shop_id = ${shopId} limit 1`;
    if (row) throw new ImportError('the shop', 'something is written down in it already: a book is taken into an empty shop.');
    try {
      await tx.savepoint((sp) => appendBook(sp, shopId, entries));
    } catch (error) {
      const { code } = error as { code?: string };
      if (typeof code === 'string' && /^(22|23)/.test(code))
        throw new ImportError('the file', 'an entry names something that the file does not bring.');
      throw error;
    }
    return { entries: entries.length };
  });
}

function jsonOf(line: string, i: number): unknown {
  try {
    return JSON.parse(line);
  } catch {
    throw new ImportError(`line ${i + 1}`, 'this is not JSON.');
  }
}
