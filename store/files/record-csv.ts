/** The record as tables that any spreadsheet opens: every entry, and every joint. */
import Papa from 'papaparse';
import type { Sql } from '../database/index.ts';
import { type BookRow, bookColumns, type EntryRow, entryColumns } from '../rows/index.ts';

const SLICE = 2000;
const ENTRY_COLUMNS = [
  'position',
  'id',
  'of',
  'kind',
  'seen_at',
  'recorded_at',
  'device',
  'seq',
  'corrects',
  'visit',
  'run',
  'joint',
  'check_point',
  'subject',
  'body',
];

const rows = (cells: unknown[][]): string => `${Papa.unparse(cells as string[][], { escapeFormulae: true })}\r\n`;

/** Every entry in the shop's order, its body as JSON. */
export async function* entriesCsv(sql: Sql, shopId: string): AsyncGenerator<string> {
  yield rows([ENTRY_COLUMNS]);
  for (let after = 0; ; ) {
    const found = await sql<(EntryRow & Omit<BookRow, 'kind' | 'body'> & { position: string })[]>`
      select ${sql([...new Set([...entryColumns, ...bookColumns, 'position' as const])])} from entry
      where shop_id = ${shopId} and position > ${after} order by position limit ${SLICE}`;
    if (found.length === 0) return;
    after = Number(found.at(-1)!.position);
    yield rows(
      found.map((e) => [
        e.position,
        e.entry_id,
        e.subject_kind ?? 'run',
        e.kind,
        e.seen_at.toISOString(),
        e.recorded_at.toISOString(),
        e.device_id,
        e.seq ?? '',
        e.corrects_id ?? '',
        e.visit_id ?? '',
        e.run_id ?? '',
        e.joint_id ?? '',
        e.check_point_id ?? '',
        e.subject_id ?? '',
        JSON.stringify(e.body),
      ]),
    );
  }
}

const JOINT_COLUMNS = [
  'signed_off',
  'premises',
  'place',
  'appliance',
  'run',
  'joint',
  'seal',
  'sealant',
  'parts',
  'made',
  'turns',
  'finding',
  'proven',
  'ml_per_day',
  'came_back',
  'joint_id',
  'visit',
  'run_id',
];

/** How many connections are read at once. */
const CONNECTIONS = 500;

interface JointRow extends Record<string, unknown> {
  visit_id: string;
  run_id: string;
}

/** Every joint of a connection that was signed off, those of the oldest visits first; no row is told twice or passed over, whatever is signed off meanwhile. */
export async function* jointsCsv(sql: Sql, shopId: string): AsyncGenerator<string> {
  yield rows([JOINT_COLUMNS]);
  for (let after: JointRow | undefined; ; ) {
    const beyond = after ? sql`and (visit_id, run_id) > (${after.visit_id}, ${after.run_id})` : sql``;
    const found: JointRow[] = await sql<JointRow[]>`
    select l.on_date, p.name as premises, pl.name as place, l.kind, r.name as run, 'J' || j.n as joint, j.seal, coalesce(k.sealant, '') as sealant,
      array_to_string(k.parts, ' ') as parts, case when j.made then to_char(j.made_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI"Z"') else '' end as made,
      j.turns24 / 24.0 as turns, coalesce(j.finding, '') as finding, case when j.proven then 'yes' else 'no' end as proven,
      coalesce(round(j.ml_per_day::numeric, 3)::text, '') as ml, coalesce(to_char(j.called_at at time zone 'UTC', 'YYYY-MM-DD'), '') as called,
      j.joint_id, l.visit_id, l.run_id
    from (select * from ledger_line where shop_id = ${shopId} ${beyond} order by visit_id, run_id limit ${CONNECTIONS}) l
    join derived_joint j on j.shop_id = l.shop_id and j.visit_id = l.visit_id and j.run_id = l.run_id
    join joint_alike k on k.shop_id = j.shop_id and k.alike = j.alike
    join run r on r.shop_id = l.shop_id and r.run_id = l.run_id
    join appliance a on a.shop_id = l.shop_id and a.appliance_id = r.appliance_id
    join place pl on pl.shop_id = l.shop_id and pl.place_id = a.place_id
    join premises p on p.shop_id = l.shop_id and p.premises_id = l.premises_id
    order by l.visit_id, l.run_id, j.n`;
    if (found.length === 0) return;
    yield rows(found.map((r) => Object.values(r).map((v) => (typeof v === 'string' ? v : String(v)))));
    after = found.at(-1);
  }
}
