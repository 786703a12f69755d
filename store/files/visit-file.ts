/** A visit as a file: everything it stands on, so that it reads the same in an empty shop. */
import { isDeepStrictEqual } from 'node:util';
import * as z from 'zod/mini';
import { catalogue } from '../../catalog/index.ts';
import { isWorkKind, usualWork } from '../../core/index.ts';
import type { Entry } from '../../record/index.ts';
import {
  type FiledBookEntry,
  type FiledEntry,
  filedEntry,
  keptForm,
  localDay,
  localTime,
  name,
  pathText,
  raised,
  recordRows,
  type SubjectKind,
  timeZone,
  unstorable,
  uuid,
} from '../../record/index.ts';
import { inShop, lockCursor, moveCursor, type Sql, type Tx } from '../database/index.ts';
import { appendBook, filedBookEntry, insertDrains, insertJoints, sameContent } from '../entries/index.ts';
import { derive } from '../projections/index.ts';
import { visitHeads, visitSheets } from '../queries/index.ts';
import { type EntryRow, entriesById, entryColumns, entryOf, insertEntries } from '../rows/index.ts';
import { ImportError } from './import-error.ts';

const list = <T extends z.ZodMiniType>(shape: T, most: number) => z.array(shape).check(z.maxLength(most, `holds more than ${most}`));

export const visitFile = z.strictObject({
  format: z.literal('brass-nut-visit', 'is not a visit file of this program'),
  version: z.literal(1, 'is a version that this program does not know'),
  premises: z.strictObject({ id: uuid, name, timeZone }),
  places: list(z.strictObject({ id: uuid, name }), 500),
  appliances: list(z.strictObject({ id: uuid, placeId: uuid, kind: z.string().check(z.minLength(1), z.maxLength(60)), name }), 500),
  runs: list(z.strictObject({ id: uuid, applianceId: uuid, water: z.enum(['cold', 'hot']), name }), 500),
  checkPoints: list(z.strictObject({ id: uuid, runId: uuid, kind: z.enum(['stem', 'drain']), name }), 2000),
  visit: z.strictObject({
    id: uuid,
    onDate: localDay,
    startsAt: localTime,
    title: name,
    runs: list(uuid, 500),
    /** Kinds of work by run; left out by older programs: then what is usual for the appliance. */
    works: z.optional(z.record(uuid, z.string().check(z.refine(isWorkKind, 'is no kind of work')))),
  }),
  entries: list(filedEntry, 50_000),
  /** The entries in plain words, for whoever reads the file; made anew when it is written, and not taken in. */
  told: z.optional(z.array(z.record(z.string(), z.string()))),
});
export type VisitFile = z.infer<typeof visitFile>;

export async function exportVisit(sql: Sql, shopId: string, visitId: string): Promise<string | null> {
  return sql.begin('isolation level repeatable read read only', async (tx) => {
    const [visit] = await tx<{ premises_id: string; on_date: string; starts_at: string; title: string }[]>`
      select premises_id, on_date, starts_at, title from visit where shop_id = ${shopId} and visit_id = ${visitId}`;
    if (!visit) return null;
    const [premises] = await tx<VisitFile['premises'][]>`
      select premises_id as id, name, time_zone as "timeZone" from premises where shop_id = ${shopId} and premises_id = ${visit.premises_id}`;
    const runs = await tx<(VisitFile['runs'][number] & { order: number; work: string })[]>`
      select r.run_id as id, r.appliance_id as "applianceId", r.water, r.name, vr.place_in_order as order, vr.work
      from visit_run vr join run r using (shop_id, run_id) where vr.shop_id = ${shopId} and vr.visit_id = ${visitId} order by r.run_id`;
    const runIds = runs.map((r) => r.id);
    const appliances = await tx<VisitFile['appliances']>`
      select appliance_id as id, place_id as "placeId", kind, name from appliance
      where shop_id = ${shopId} and appliance_id = any(${runs.map((r) => r.applianceId)}::uuid[]) order by appliance_id`;
    const places = await tx<VisitFile['places']>`
      select place_id as id, name from place where shop_id = ${shopId} and place_id = any(${appliances.map((a) => a.placeId)}::uuid[]) order by place_id`;
    const checkPoints = await tx<VisitFile['checkPoints']>`
      select check_point_id as id, run_id as "runId", kind, name from check_point
      where shop_id = ${shopId} and run_id = any(${runIds}::uuid[]) order by check_point_id`;
    const entries = await tx<EntryRow[]>`
      select ${tx(entryColumns)} from entry where shop_id = ${shopId} and visit_id = ${visitId} order by position`;
    const file: VisitFile = {
      format: 'brass-nut-visit',
      version: 1,
      premises: premises as VisitFile['premises'],
      places: [...places],
      appliances: [...appliances],
      runs: runs.map(({ order: _, work: _w, ...run }) => run),
      checkPoints: [...checkPoints],
      visit: {
        id: visitId,
        onDate: visit.on_date,
        startsAt: visit.starts_at,
        title: visit.title,
        runs: [...runs].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)).map((r) => r.id),
        works: Object.fromEntries(runs.map((r) => [r.id, r.work])),
      },
      entries: entries.map((row) => keptForm(entryOf(row))) as FiledEntry[],
      told: recordRows((await visitSheets(tx, shopId, await visitHeads(tx, shopId, [visitId])))[0]!, catalogue()).map((row) => ({ ...row })),
    };
    return `${JSON.stringify(file, null, 1)}\n`;
  });
}

/** Reads a file's text; says line or path and cause. */
export function parseVisitFile(text: string): VisitFile {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new ImportError(placeOf(text, error), 'this is not JSON. Export the visit again, or mend the file there.');
  }
  const bad = unstorable(json);
  if (bad) throw new ImportError(bad.at || 'the file', `${bad.why}.`);
  const result = z.safeParse(visitFile, withEntriesRaised(json));
  if (result.success) return checked(result.data);
  const issue = result.error.issues[0]!;
  throw new ImportError(pathText(issue.path) || 'the file', `${issue.message}.`);
}

function withEntriesRaised(json: unknown): unknown {
  if (typeof json !== 'object' || json === null || !('entries' in json) || !Array.isArray(json.entries)) return json;
  return { ...json, entries: json.entries.map(raised) };
}

/** What a shape cannot say: the parts of a file fit each other and the catalogue. */
function checked(file: VisitFile): VisitFile {
  const has = (rows: { id: string }[]) => {
    const ids = new Set(rows.map((row) => row.id));
    return (id: string) => ids.has(id);
  };
  const [place, appliance, run] = [has(file.places), has(file.appliances), has(file.runs)];
  const kinds = has(catalogue().appliances);
  const refuse = (at: string, why: string) => {
    throw new ImportError(at, why);
  };
  file.appliances.forEach((a, i) => {
    if (!place(a.placeId)) refuse(`appliances[${i}].placeId`, 'the file has no such place.');
    if (!kinds(a.kind)) refuse(`appliances[${i}].kind`, `"${a.kind}" is no appliance of this program's catalogue.`);
  });
  file.runs.forEach((r, i) => {
    if (!appliance(r.applianceId)) refuse(`runs[${i}].applianceId`, 'the file has no such appliance.');
  });
  file.checkPoints.forEach((c, i) => {
    if (!run(c.runId)) refuse(`checkPoints[${i}].runId`, 'the file has no such run.');
  });
  file.visit.runs.forEach((id, i) => {
    if (!run(id)) refuse(`visit.runs[${i}]`, 'the file has no such run.');
  });
  file.entries.forEach((e, i) => {
    if (e.visitId !== file.visit.id) refuse(`entries[${i}].visitId`, 'it belongs to another visit.');
  });
  for (const [name, rows] of Object.entries({
    places: file.places,
    appliances: file.appliances,
    runs: file.runs,
    checkPoints: file.checkPoints,
    entries: file.entries,
  })) {
    const seen = new Set<string>();
    rows.forEach((row, i) => {
      if (seen.has(row.id)) refuse(`${name}[${i}].id`, 'it stands twice in the file.');
      seen.add(row.id);
    });
  }
  return file;
}

function placeOf(text: string, error: unknown): string {
  const position = /position (\d+)/.exec(String(error))?.[1];
  const upTo = text.slice(0, position === undefined ? text.length : Number(position));
  return `line ${upTo.split('\n').length}`;
}

/**
 * Takes a visit into a shop, all or nothing. What is there already with the same content is left as it is; with other content the import
 * is refused.
 *
 * @throws ImportError naming the path and the cause
 */
export async function importVisit(sql: Sql, shopId: string, file: VisitFile, at: Date): Promise<{ visitId: string; isNew: boolean; added: number }> {
  return inShop(sql, shopId, async (tx) => {
    const isNew = await keepHouse(tx, shopId, file, at);
    const fresh = await freshEntries(tx, shopId, file.entries);
    let position = await lockCursor(tx, shopId);
    for (const { entry, path } of fresh) await keepEntry(tx, shopId, entry, ++position, path);
    if (fresh.length > 0) await moveCursor(tx, shopId, position);
    const { visit } = file;
    await derive(
      tx,
      shopId,
      visit.runs.map((runId) => ({ visitId: visit.id, runId })),
    );
    return { visitId: visit.id, isNew, added: fresh.length };
  });
}

/** Writes down in the book what the shop does not have of a file's premises, and its visit; whether the visit is new. */
async function keepHouse(tx: Tx, shopId: string, file: VisitFile, at: Date): Promise<boolean> {
  await lockCursor(tx, shopId);
  const premisesId = file.premises.id;
  const { visit } = file;
  const missing: FiledBookEntry[] = [];
  const keep = async (kind: SubjectKind, table: string, id: string, columns: Record<string, string>, body: FiledBookEntry['body'], path: string) => {
    const isThere = await isThereAlready(tx, shopId, table, id, columns, path);
    if (!isThere) missing.push(filedBookEntry(kind, id, 'made', body, at));
    return !isThere;
  };
  const { name, timeZone } = file.premises;
  await keep('premises', 'premises', premisesId, { name, time_zone: timeZone }, { name, timeZone }, 'premises');
  for (const [i, p] of file.places.entries()) {
    await keep('place', 'place', p.id, { premises_id: premisesId, name: p.name }, { premisesId, name: p.name }, `places[${i}]`);
  }
  for (const [i, a] of file.appliances.entries()) {
    const columns = { premises_id: premisesId, place_id: a.placeId, kind: a.kind, name: a.name };
    await keep('appliance', 'appliance', a.id, columns, { premisesId, placeId: a.placeId, kind: a.kind, name: a.name }, `appliances[${i}]`);
  }
  for (const [i, r] of file.runs.entries()) {
    const checkPoints = file.checkPoints.filter((c) => c.runId === r.id).map(({ runId: _, ...c }) => c);
    const columns = { appliance_id: r.applianceId, water: r.water, name: r.name };
    await keep('run', 'run', r.id, columns, { applianceId: r.applianceId, water: r.water, name: r.name, checkPoints }, `runs[${i}]`);
  }
  for (const [i, c] of file.checkPoints.entries()) {
    await isThereAlready(tx, shopId, 'check_point', c.id, { run_id: c.runId, kind: c.kind, name: c.name }, `checkPoints[${i}]`);
  }
  const head = { premises_id: premisesId, on_date: visit.onDate, starts_at: visit.startsAt, title: visit.title };
  const { onDate, startsAt, title } = visit;
  const isNew = await keep('visit', 'visit', visit.id, head, { premisesId, onDate, startsAt, title }, 'visit');
  const listed = await tx<{ run_id: string }[]>`select run_id from visit_run where shop_id = ${shopId} and visit_id = ${visit.id}`;
  const onList = new Set(listed.map((r) => r.run_id));
  const kindOf = new Map(file.runs.map((r) => [r.id, file.appliances.find((a) => a.id === r.applianceId)!.kind]));
  const added = visit.runs.filter((id) => !onList.has(id));
  missing.push(
    ...added.map((runId, i) => {
      const work = visit.works?.[runId] ?? usualWork(kindOf.get(runId)!);
      // One after another: the list keeps its order.
      return filedBookEntry('visit', visit.id, 'run-added', { runId, work }, new Date(at.getTime() + i + 1));
    }),
  );
  await refusing(tx, 'the file', 'it does not go with what this shop has.', (sp) => appendBook(sp, shopId, missing));
  return isNew;
}

/** Whether the shop has it. @throws ImportError where it has it with other content */
async function isThereAlready(tx: Tx, shopId: string, table: string, id: string, values: Record<string, string>, path: string): Promise<boolean> {
  const columns = Object.keys(values);
  const [row] = await tx<
    Record<string, string>[]
  >`select ${tx(columns)} from ${tx(table)} where shop_id = ${shopId} and ${tx(`${table}_id`)} = ${id}`;
  if (!row) return false;
  const other = columns.find((column) => row[column] !== values[column]);
  if (other) throw new ImportError(path, `this shop has it already with another ${other.replace('_', ' ')} ("${row[other]}").`);
  return true;
}

/** What the database will not have becomes a place and a reason. */
async function refusing(tx: Tx, path: string, why: string, work: (sp: Tx) => Promise<unknown>): Promise<void> {
  try {
    await tx.savepoint(async (sp) => {
      await work(sp);
    });
  } catch (error) {
    const { code } = error as { code?: string };
    if (typeof code === 'string' && /^(22|23)/.test(code)) throw new ImportError(path, why);
    throw error;
  }
}

/** Entries of a file that this shop does not have yet. @throws ImportError where it has one of the same id with other content */
async function freshEntries(tx: Tx, shopId: string, entries: FiledEntry[]): Promise<{ entry: FiledEntry; path: string }[]> {
  const known = await entriesById(
    tx,
    shopId,
    entries.map((e) => e.id),
  );
  return entries.flatMap((entry, i) => {
    const before = known.get(entry.id);
    if (!before) return [{ entry, path: `entries[${i}]` }];
    if (sameContent(before, entry) && isDeepStrictEqual([before.sentAt, before.recordedAt], [entry.sentAt, entry.recordedAt])) return [];
    throw new ImportError(`entries[${i}]`, 'this shop has an entry of that id with other content.');
  });
}

async function keepEntry(tx: Tx, shopId: string, entry: FiledEntry, position: number, path: string): Promise<void> {
  const why = 'it names a run, joint, check point or entry that the file does not bring, or stands twice.';
  await refusing(tx, path, why, async (sp) => {
    await insertJoints(sp, shopId, [entry as Entry]);
    await insertDrains(sp, shopId, [entry as Entry]);
    await insertEntries(sp, shopId, [{ ...keptForm(entry), position }]);
  });
}

/** The published JSON Schema of a visit file. */
export function visitFileSchema(): object {
  return z.toJSONSchema(visitFile, { target: 'draft-2020-12', io: 'input' });
}
