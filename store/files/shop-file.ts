/**
 * A whole shop as a file, a line each: its pictures and every entry in the shop's order, house rules and own parts among them. Taken into an
 * empty shop and written again it is the same byte for byte. Files of the first version, which had rules and parts apart, read as before.
 */
import * as z from 'zod/mini';
import {
  filedBookEntry as bookShape,
  type FiledBookEntry,
  type FiledEntry,
  filedEntry,
  houseRules,
  instant,
  issueOf,
  pressReason,
  raised,
  readFiledBook,
  rulesChanged,
  unstorable,
  upcastRules,
} from '../../record/index.ts';
import { carriedId } from '../carry/carried-id.ts';
import { Breath, FIRST_SHOP, inShop, moveCursor, type Sql, type Tx } from '../database/index.ts';
import { appendBook, filedBookEntry, insertDrains, insertJoints } from '../entries/index.ts';
import { rebuildBook, rebuildIn } from '../projections/index.ts';
import { currentRules } from '../queries/index.ts';
import {
  type BookRow,
  bookColumns,
  bookEntryOf,
  type EntryRow,
  entriesOfSubjects,
  entryAsWritten,
  entryColumns,
  insertBookEntries,
  insertEntries,
  ofShop,
  type PlacedBookEntry,
  type PlacedEntry,
} from '../rows/index.ts';
import { ImportError } from './import-error.ts';

const SLICE = 1000;
const base64 = z.string().check(z.regex(/^[A-Za-z0-9+/]*={0,2}$/, 'is not base64'));

const head = z.strictObject({
  format: z.literal('brass-nut-shop', 'is not a shop file of this program'),
  version: z.union([z.literal(1), z.literal(2)], 'is a version that this program does not know'),
});
const rulesLine = z.strictObject({
  rules: z.strictObject({
    version: z.int().check(z.gte(1)),
    rules: z.record(z.string(), z.unknown()),
    reason: z.string().check(z.minLength(1), z.maxLength(1000)),
    recordedAt: instant,
  }),
});
const partsLine = z.strictObject({ ownParts: z.strictObject({ revision: z.int().check(z.gte(1)), importedAt: instant }) });
const partLine = z.strictObject({
  part: z.strictObject({ id: z.string().check(z.minLength(1), z.maxLength(80)), cells: z.record(z.string(), z.string()) }),
});
const pictureLine = z.strictObject({
  picture: z.strictObject({
    id: z.string().check(z.regex(/^[0-9a-f]{64}$/, 'is no name of a picture')),
    type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
    width: z.int().check(z.gte(1), z.lte(65_535)),
    height: z.int().check(z.gte(1), z.lte(65_535)),
    keptAt: instant,
    content: base64,
    thumbnail: base64,
  }),
});
const bookLine = z.strictObject({ book: z.unknown() });
const runLine = z.strictObject({ run: z.unknown() });

const line = z.union([head, rulesLine, partsLine, partLine, pictureLine, bookLine, runLine]);
type Line = z.infer<typeof line>;

/** Everything of a shop, in the order in which it is taken in again; some lines at a time. */
export async function* exportShop(sql: Sql, shopId: string): AsyncGenerator<string> {
  const lines = (list: Line[]) => list.map((l) => `${JSON.stringify(l)}\n`).join('');
  yield lines([{ format: 'brass-nut-shop', version: 2 }]);
  yield* pictures(sql, shopId, lines);
  for (let after = 0; ; ) {
    const rows = await sql<(EntryRow & BookRow & { position: string })[]>`
      select ${sql([...new Set([...entryColumns, ...bookColumns, 'position' as const])])} from entry
      where shop_id = ${shopId} and position > ${after} order by position limit ${SLICE}`;
    if (rows.length === 0) return;
    after = Number(rows.at(-1)!.position);
    yield lines(rows.map((row) => (row.subject_kind === null ? { run: entryAsWritten(row) } : { book: ofShop(FIRST_SHOP, bookEntryOf(row)) })));
  }
}

async function* pictures(sql: Sql, shopId: string, lines: (list: Line[]) => string): AsyncGenerator<string> {
  const ids = await sql<{ picture_id: string }[]>`select picture_id from picture where shop_id = ${shopId} order by kept_at, picture_id`;
  for (const { picture_id: id } of ids) {
    const [p] = await sql<{ type: 'image/jpeg'; width: number; height: number; kept_at: Date; content: Buffer; thumbnail: Buffer }[]>`
      select type, width, height, kept_at, content, thumbnail from picture where shop_id = ${shopId} and picture_id = ${id}`;
    if (!p) continue;
    const { type, width, height } = p;
    yield lines([
      {
        picture: {
          id,
          type,
          width,
          height,
          keptAt: p.kept_at.toISOString(),
          content: p.content.toString('base64'),
          thumbnail: p.thumbnail.toString('base64'),
        },
      },
    ]);
  }
}

/**
 * Takes a shop's file into an empty shop, all of it or nothing.
 *
 * @param read the file's lines from its beginning; it is gone through twice, so that no more of it than a slice is ever held
 * @throws ImportError naming line and field
 */
export async function importShop(
  sql: Sql,
  shopId: string,
  read: () => AsyncIterable<string>,
): Promise<{ entries: number; rules: number; parts: number; pictures: number }> {
  return inShop(sql, shopId, async (tx) => {
    await refuseFull(tx, shopId);
    const { counts, before } = await takeBook(tx, shopId, read);
    await tx`select tell_statistics()`;
    await rebuildBook(tx, shopId, (ids) => entriesOfSubjects(tx, shopId, ids));
    await takeRuns(tx, shopId, read);
    await tx`select tell_statistics()`;
    await moveCursor(tx, shopId, counts.entries);
    await appendBook(tx, shopId, saidBefore(shopId, before));
    await rebuildIn(tx, shopId);
    const [own] = await tx<{ parts: number }[]>`select count(*)::int as parts from shop_part where shop_id = ${shopId} and not gone`;
    return { ...counts, rules: (await currentRules(tx, shopId)).version, parts: own!.parts };
  });
}

/** House rules and own parts of a file of the first version. */
interface SaidBefore {
  rules: z.infer<typeof rulesLine>['rules'][];
  importedAt: string | null;
  parts: Record<string, string>[];
}

/** What such a file has of them, as entries with its dates. */
function saidBefore(shopId: string, { rules, importedAt, parts }: SaidBefore): FiledBookEntry[] {
  const versions = rules.map((r) => ({ ...r, rules: upcastRules(r.rules) }));
  const importId = carriedId(`${shopId} parts`);
  return [
    ...versions.map(({ rules: now, reason, recordedAt, version }, i) => {
      const entryId = carriedId(`${shopId} rules ${version}`);
      const body = { rules: i === 0 ? now : rulesChanged(versions[i - 1]!.rules, now), reason: reason.trim() || pressReason('not-said') };
      return filedBookEntry('rules', shopId, 'changed', body, new Date(recordedAt), { entryId });
    }),
    ...parts.map((row, i) => {
      const id = carriedId(`${shopId} part ${row.id}`);
      return filedBookEntry('part', id, 'set', { row, place: i + 1, importId }, new Date(importedAt!), { entryId: carriedId(`${id} set`) });
    }),
  ];
}

async function refuseFull(tx: Tx, shopId: string): Promise<void> {
  const [full] = await tx`
    select 1 from entry where shop_id = ${shopId} union all select 1 from picture where shop_id = ${shopId} limit 1`;
  if (full) throw new ImportError('the shop', 'something is written down in it already: a shop is taken into an empty one. Begin one under "Shops".');
}

/** Every line of the file, with its place in it and that of its entry in the shop's order. */
async function* placedLines(read: () => AsyncIterable<string>): AsyncGenerator<{ at: string; position: number; line: Line }> {
  let n = 0;
  let position = 0;
  let isFirst = true;
  const breath = new Breath();
  for await (const text of read()) {
    n += 1;
    await breath.take();
    if (text.trim() === '') continue;
    const parsed = parse(text, n);
    if (isFirst && !('format' in parsed)) throw new ImportError(`line ${n}`, 'this is no shop file of this program: its first line would say so.');
    isFirst = false;
    if ('book' in parsed || 'run' in parsed) position += 1;
    yield { at: `line ${n}`, position, line: parsed };
  }
  if (isFirst) throw new ImportError('line 1', 'the file is empty.');
}

function parse(text: string, n: number): Line {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new ImportError(`line ${n}`, 'this is not JSON.');
  }
  const bad = unstorable(json);
  if (bad) throw new ImportError(`line ${n}, ${bad.at}`, `${bad.why}.`);
  const kind = typeof json === 'object' && json !== null ? Object.keys(json)[0] : undefined;
  const shape = SHAPES[kind ?? ''];
  if (!shape)
    throw new ImportError(`line ${n}`, 'this is no line of a shop file: it begins with format, rules, ownParts, part, picture, book or run.');
  const result = z.safeParse(shape, json);
  if (!result.success) {
    const { at, why } = issueOf(result.error);
    throw new ImportError(`line ${n}, ${at}`, `${why}.`);
  }
  return json as Line;
}

const SHAPES: Record<string, z.ZodMiniType> = {
  format: head,
  rules: rulesLine,
  ownParts: partsLine,
  part: partLine,
  picture: pictureLine,
  book: bookLine,
  run: runLine,
};

/** What runs hang on, and all that is no entry. */
async function takeBook(tx: Tx, shopId: string, read: () => AsyncIterable<string>) {
  const counts = { entries: 0, pictures: 0 };
  const before: SaidBefore = { rules: [], importedAt: null, parts: [] };
  const slice: PlacedBookEntry[] = [];
  let from = '';
  const flush = async (to: string) => {
    await kept(tx, `${from} to ${to}`, 'an entry stands twice in the file.', (sp) => insertBookEntries(sp, shopId, slice));
    slice.length = 0;
  };
  for await (const { at, position, line: one } of placedLines(read)) {
    counts.entries = position;
    if ('rules' in one) before.rules.push(rulesOf(one.rules, at, before.rules.length + 1));
    if ('ownParts' in one) before.importedAt = one.ownParts.importedAt;
    if ('part' in one) before.parts.push(partOf(one.part, at, before));
    if ('picture' in one) await takePicture(tx, shopId, one.picture, at, ++counts.pictures);
    if (!('book' in one)) continue;
    const result = readFiledBook(one.book);
    if (!result.ok) throw new ImportError(`${at}, ${result.at}`, `${result.why}.`);
    // As it was written: what reading it makes of it is not what was said.
    if (slice.length === 0) from = at;
    slice.push({ ...ofShop(shopId, one.book as FiledBookEntry), position });
    if (slice.length >= SLICE) await flush(at);
  }
  await flush('the end');
  return { counts, before };
}

async function takeRuns(tx: Tx, shopId: string, read: () => AsyncIterable<string>): Promise<void> {
  const slice: PlacedEntry[] = [];
  let from = '';
  const flush = async (to: string) => {
    const why = 'an entry names a visit, run, joint, check point or entry that the file does not bring before it, or stands twice.';
    await kept(tx, `${from} to ${to}`, why, async (sp) => {
      await insertJoints(sp, shopId, slice);
      await insertDrains(sp, shopId, slice);
      await insertEntries(sp, shopId, slice);
    });
    slice.length = 0;
  };
  for await (const { at, position, line: one } of placedLines(read)) {
    if (!('run' in one)) continue;
    const result = z.safeParse(filedEntry, raised(one.run));
    if (!result.success) {
      const { at: field, why } = issueOf(result.error);
      throw new ImportError(`${at}, ${field}`, `${why}.`);
    }
    if (slice.length === 0) from = at;
    slice.push({ ...(one.run as FiledEntry), position });
    if (slice.length >= SLICE) await flush(at);
  }
  await flush('the end');
}

function rulesOf(line: z.infer<typeof rulesLine>['rules'], at: string, n: number): SaidBefore['rules'][number] {
  if (line.version !== n) throw new ImportError(`${at}, version`, `version ${n} of the house rules is missing before it.`);
  const result = z.safeParse(houseRules, upcastRules(line.rules));
  if (!result.success) throw new ImportError(`${at}, rules`, `${issueOf(result.error).why}.`);
  return line;
}

function partOf({ id, cells }: z.infer<typeof partLine>['part'], at: string, { importedAt, parts }: SaidBefore): Record<string, string> {
  if (importedAt === null || parts.some((p) => p.id === id)) throw new ImportError(at, 'the part stands twice, or before its list.');
  return { ...cells, id };
}

async function takePicture(
  tx: Tx,
  shopId: string,
  { id, keptAt, content, thumbnail, ...rest }: z.infer<typeof pictureLine>['picture'],
  at: string,
  n: number,
): Promise<void> {
  const bytes = Buffer.from(content, 'base64');
  // Stripped of what it does not show it is no more what it is named by; what was sent is all that says which it is.
  if (bytes.length === 0) throw new ImportError(`${at}, content`, `picture ${n} is empty.`);
  const row = { shop_id: shopId, picture_id: id, ...rest, content: bytes, thumbnail: Buffer.from(thumbnail, 'base64'), kept_at: keptAt };
  await kept(tx, at, 'the picture stands twice.', (sp) => sp`insert into picture ${sp(row as never)}`);
}

/** What the database will not have becomes a place and a reason. */
async function kept(tx: Tx, at: string, why: string, work: (sp: Tx) => PromiseLike<unknown>): Promise<void> {
  try {
    await tx.savepoint(async (sp) => {
      await work(sp);
    });
  } catch (error) {
    const { code } = error as { code?: string };
    if (typeof code === 'string' && /^(22|23)/.test(code)) throw new ImportError(at, why);
    throw error;
  }
}

/** The published JSON Schema of a line. */
export function shopFileSchema(): object {
  const described = z.union([
    head,
    rulesLine,
    partsLine,
    partLine,
    pictureLine,
    z.strictObject({ book: bookShape }),
    z.strictObject({ run: filedEntry }),
  ]);
  return z.toJSONSchema(described, { target: 'draft-2020-12', io: 'input', unrepresentable: 'any' });
}
