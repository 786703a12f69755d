/** The book as a file: every entry, oldest first, a line each; taken into an empty shop and written again, the same lines. */
import { type FiledBookEntry, readFiledBook } from '../../record/index.ts';
import { Breath, FIRST_SHOP, inShop, inSlices, moveCursor, type Sql } from '../database/index.ts';
import { rebuildIn } from '../projections/index.ts';
import { bookColumns, bookEntryOf, insertBookEntries, ofShop, type PlacedBookRow } from '../rows/index.ts';
import { ImportError } from './import-error.ts';

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
export async function importBook(sql: Sql, shopId: string, read: () => AsyncIterable<string>): Promise<{ entries: number }> {
  const entries = await readBook(shopId, read);
  return inShop(sql, shopId, async (tx, begun) => {
    const [row] = await tx`select 1 from entry where shop_id = ${shopId} limit 1`;
    if (row) throw new ImportError('the shop', 'something is written down in it already: a book is taken into an empty shop.');
    let position = begun;
    try {
      await tx.savepoint(async (sp) => {
        for await (const slice of inSlices(entries, SLICE)) {
          await insertBookEntries(
            sp,
            shopId,
            slice.map((e) => ({ ...e, position: ++position })),
          );
        }
        await moveCursor(sp, shopId, position);
        await sp`select tell_statistics()`;
        await rebuildIn(sp, shopId);
      });
    } catch (error) {
      const { code } = error as { code?: string };
      if (typeof code === 'string' && /^(22|23)/.test(code))
        throw new ImportError('the file', 'an entry names something that the file does not bring.');
      throw error;
    }
    return { entries: entries.length };
  });
}

async function readBook(shopId: string, read: () => AsyncIterable<string>): Promise<FiledBookEntry[]> {
  const ids = new Set<string>();
  const entries: FiledBookEntry[] = [];
  const breath = new Breath();
  let n = 0;
  for await (const line of read()) {
    n += 1;
    await breath.take();
    if (line.trim() === '') continue;
    const result = readFiledBook(jsonOf(line, n));
    if (!result.ok) throw new ImportError(`line ${n}, ${result.at}`, `${result.why}.`);
    if (ids.has(result.entry.id)) throw new ImportError(`line ${n}, id`, 'the entry stands twice in the file.');
    ids.add(result.entry.id);
    entries.push(ofShop(shopId, result.entry));
  }
  return entries;
}

function jsonOf(line: string, n: number): unknown {
  try {
    return JSON.parse(line);
  } catch {
    throw new ImportError(`line ${n}`, 'this is not JSON.');
  }
}
