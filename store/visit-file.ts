/** A visit as a file: everything it stands on, so that it reads the same in an empty shop. */
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import type { Entry } from '../core/record/entry.ts';
import type { Sql, Tx } from './connection.ts';
import { type EntryRow, entryColumns, entryOf, insertEntry, sameContent } from './entries.ts';
import { filedEntry, name, uuid } from './entry-shape.ts';

const day = z.iso.date();
const zone = z
  .string()
  .max(60)
  .refine((tz) => {
    try {
      new Intl.DateTimeFormat('en', { timeZone: tz });
      return true;
    } catch {
      return false;
    }
  }, 'is not a time zone');

export const visitFile = z.strictObject({
  format: z.literal('brass-nut-visit'),
  version: z.literal(1),
  premises: z.strictObject({ id: uuid, name, timeZone: zone }),
  places: z.array(z.strictObject({ id: uuid, name })).max(500),
  appliances: z.array(z.strictObject({ id: uuid, placeId: uuid, kind: z.string().min(1).max(60), name })).max(500),
  runs: z.array(z.strictObject({ id: uuid, applianceId: uuid, water: z.enum(['cold', 'hot']), name })).max(500),
  checkPoints: z.array(z.strictObject({ id: uuid, runId: uuid, kind: z.enum(['stem', 'drain']), name })).max(2000),
  visit: z.strictObject({
    id: uuid,
    onDate: day,
    startsAt: z.string().regex(/^\d\d:\d\d$/, 'wants HH:MM'),
    title: name,
    runs: z.array(uuid).max(500),
  }),
  entries: z.array(filedEntry).max(50_000),
});
export type VisitFile = z.infer<typeof visitFile>;

/** A file that cannot be taken in: where, why, and what to do. Nothing was changed. */
export class ImportError extends Error {
  override readonly name = 'ImportError';
  constructor(
    readonly at: string,
    readonly why: string,
  ) {
    super(`${at}: ${why} Nothing was imported.`);
  }
}

export async function exportVisit(sql: Sql, shopId: string, visitId: string): Promise<string | null> {
  return sql.begin('isolation level repeatable read read only', async (tx) => {
    const [visit] = await tx<{ premises_id: string; on_date: string; starts_at: string; title: string }[]>`
      select premises_id, on_date, starts_at, title from visit where shop_id = ${shopId} and visit_id = ${visitId}`;
    if (!visit) return null;
    const [premises] = await tx<VisitFile['premises'][]>`
      select premises_id as id, name, time_zone as "timeZone" from premises where shop_id = ${shopId} and premises_id = ${visit.premises_id}`;
    const runs = await tx<(VisitFile['runs'][number] & { order: number })[]>`
      select r.run_id as id, r.appliance_id as "applianceId", r.water, r.name, vr.place_in_order as order
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
      select ${tx(entryColumns)} from entry where shop_id = ${shopId} and visit_id = ${visitId} order by recorded_at, entry_id`;
    const file: VisitFile = {
      format: 'brass-nut-visit',
      version: 1,
      premises: premises as VisitFile['premises'],
      places: [...places],
      appliances: [...appliances],
      runs: runs.map(({ order: _, ...run }) => run),
      checkPoints: [...checkPoints],
      visit: {
        id: visitId,
        onDate: visit.on_date,
        startsAt: visit.starts_at,
        title: visit.title,
        runs: [...runs].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)).map((r) => r.id),
      },
      entries: inDependence(entries.map(entryOf)) as VisitFile['entries'],
    };
    return `${JSON.stringify(file, null, 1)}\n`;
  });
}

/** Recorded order, but never an entry before the one it corrects or follows: both are kept in one go at times. */
function inDependence(entries: Entry[]): Entry[] {
  const out: Entry[] = [];
  const placed = new Set<string>();
  const known = new Map(entries.map((e) => [e.id, e]));
  const place = (e: Entry): void => {
    if (placed.has(e.id)) return;
    placed.add(e.id);
    const before = [e.correctsId, e.kind === 'look-ended' ? e.body.begunId : e.kind === 'chain-accepted' ? e.body.replacesId : null];
    for (const id of before) if (id && known.has(id)) place(known.get(id) as Entry);
    out.push(e);
  };
  const acceptances = entries.filter((e) => e.kind === 'chain-accepted');
  const jointFrom = new Map(acceptances.flatMap((e) => (e.kind === 'chain-accepted' ? e.body.jointIds.map((j) => [j, e] as const) : [])));
  for (const e of entries) {
    const acceptance = e.jointId ? jointFrom.get(e.jointId) : undefined;
    if (acceptance) place(acceptance);
    place(e);
  }
  return out;
}

/** Reads a file's text; says line or path and cause. */
export function parseVisitFile(text: string): VisitFile {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new ImportError(placeOf(text, error), 'this is not JSON. Export the visit again, or mend the file there.');
  }
  const result = visitFile.safeParse(json);
  if (result.success) return result.data;
  const issue = result.error.issues[0]!;
  const path = issue.path.reduce<string>(
    (at, step) => (typeof step === 'number' ? `${at}[${step}]` : at ? `${at}.${String(step)}` : String(step)),
    '',
  );
  throw new ImportError(path || 'the file', `${issue.message}.`);
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
export async function importVisit(sql: Sql, shopId: string, file: VisitFile): Promise<{ visitId: string; isNew: boolean; added: number }> {
  return sql.begin(async (tx) => {
    const keep = keeper(tx, shopId);
    await keep('premises', 'premises_id', file.premises.id, { name: file.premises.name, time_zone: file.premises.timeZone }, 'premises');
    const premises = file.premises.id;
    for (const [i, p] of file.places.entries()) await keep('place', 'place_id', p.id, { premises_id: premises, name: p.name }, `places[${i}]`);
    for (const [i, a] of file.appliances.entries()) {
      if (!file.places.some((p) => p.id === a.placeId)) throw new ImportError(`appliances[${i}].placeId`, 'the file has no such place.');
      await keep('appliance', 'appliance_id', a.id, { premises_id: premises, place_id: a.placeId, kind: a.kind, name: a.name }, `appliances[${i}]`);
    }
    for (const [i, r] of file.runs.entries()) {
      if (!file.appliances.some((a) => a.id === r.applianceId)) throw new ImportError(`runs[${i}].applianceId`, 'the file has no such appliance.');
      await keep('run', 'run_id', r.id, { appliance_id: r.applianceId, water: r.water, name: r.name }, `runs[${i}]`);
    }
    for (const [i, c] of file.checkPoints.entries()) {
      if (!file.runs.some((r) => r.id === c.runId)) throw new ImportError(`checkPoints[${i}].runId`, 'the file has no such run.');
      await keep('check_point', 'check_point_id', c.id, { run_id: c.runId, kind: c.kind, name: c.name }, `checkPoints[${i}]`);
    }
    const { visit } = file;
    const head = { premises_id: premises, on_date: visit.onDate, starts_at: visit.startsAt, title: visit.title };
    const isNew = await keep('visit', 'visit_id', visit.id, head, 'visit');
    for (const [order, runId] of visit.runs.entries()) {
      if (!file.runs.some((r) => r.id === runId)) throw new ImportError(`visit.runs[${order}]`, 'the file has no such run.');
      await tx`insert into visit_run ${tx({ shop_id: shopId, visit_id: visit.id, run_id: runId, place_in_order: order })} on conflict do nothing`;
    }
    let added = 0;
    for (const [i, entry] of file.entries.entries()) if (await keepEntry(tx, shopId, entry, visit.id, `entries[${i}]`)) added++;
    return { visitId: visit.id, isNew, added };
  });
}

/** Inserts a row unless the same is there (and says whether it did); refuses where it is there with other content. */
function keeper(tx: Tx, shopId: string) {
  return async (table: string, key: string, id: string, values: Record<string, string>, path: string): Promise<boolean> => {
    const columns = Object.keys(values);
    const [row] = await tx<Record<string, string>[]>`select ${tx(columns)} from ${tx(table)} where shop_id = ${shopId} and ${tx(key)} = ${id}`;
    if (!row) {
      await tx`insert into ${tx(table)} ${tx({ shop_id: shopId, [key]: id, ...values })}`;
      return true;
    }
    for (const column of columns) {
      if (row[column] !== values[column]) {
        throw new ImportError(`${path}`, `this shop has it already with another ${column.replace('_', ' ')} ("${row[column]}").`);
      }
    }
    return false;
  };
}

async function keepEntry(tx: Tx, shopId: string, entry: VisitFile['entries'][number], visitId: string, path: string): Promise<boolean> {
  if (entry.visitId !== visitId) throw new ImportError(`${path}.visitId`, 'it belongs to another visit.');
  const [row] = await tx<EntryRow[]>`select ${tx(entryColumns)} from entry where shop_id = ${shopId} and entry_id = ${entry.id}`;
  if (row) {
    const known = entryOf(row);
    if (sameContent(known, entry) && isDeepStrictEqual([known.sentAt, known.recordedAt], [entry.sentAt, entry.recordedAt])) return false;
    throw new ImportError(path, 'this shop has an entry of that id with other content.');
  }
  try {
    await tx.savepoint((sp) => insertEntry(sp, shopId, entry));
    return true;
  } catch (error) {
    const { code } = error as { code?: string };
    if (code?.startsWith('23'))
      throw new ImportError(path, 'it names a run, joint, check point or entry that the file does not bring, or stands twice.');
    throw error;
  }
}

/** The published JSON Schema of a visit file. */
export function visitFileSchema(): object {
  return z.toJSONSchema(visitFile, { target: 'draft-2020-12', io: 'input' });
}
