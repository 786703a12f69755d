/** A ledger of many years: some hundred connections walked through, copied in the database with ids, days and names of their own. */
import { FIRST_SHOP, lockCursor, moveCursor, type Sql, type Tx } from '../store/database/index.ts';
import { rebuild } from '../store/projections/index.ts';
import { fillShop } from './shop.ts';

/** Children after what they hang on. */
const TABLES = [
  'premises',
  'place',
  'appliance',
  'run',
  'check_point',
  'visit',
  'visit_run',
  'joint',
  'entry',
  'derived_run',
  'derived_joint',
  'ledger_line',
  'derived_duty',
];
/** Ticks of a card are no checks, and would only fill the disk. */
const LEFT_OUT = ['step-done', 'gate-answered'];
/** Rounds before there is pressure bound nothing: their looks stay out too. */
const unpressed = (of: string) => `(${of}.kind = 'look-begun' and ${of}.body ->> 'round' in ('before', 'crack'))`;
/** Copies lie within so many days before the first, spread so that no two days are alike. */
const SPREAD_DAYS = 2200;
const STEP_DAYS = 37;

/** Fills the shop; how many joints and checks it then has. */
export async function fillLedger(
  sql: Sql,
  wanted: { joints: number; checks: number },
  say: (what: string) => void,
): Promise<{ joints: number; checks: number }> {
  await fillShop(sql, { premises: 60, visits: 600, entries: 1_000_000 }, () => {});
  await rebuild(sql, FIRST_SHOP);
  const one = await counted(sql);
  say(`${one.joints} joints walked through, ${one.checks} checks`);
  const copies = Math.ceil(Math.max(wanted.joints / one.joints, wanted.checks / one.checks)) - 1;
  await sql.begin(async (tx) => {
    await tx`set local synchronous_commit = off`;
    await tx.unsafe(`create function pg_temp.copied(id uuid, copy int) returns uuid language sql immutable as
      $$ select overlay(id::text placing 'e' || lpad(to_hex(copy), 3, '0') from 15 for 4)::uuid $$`);
    const stride = await lockCursor(tx, FIRST_SHOP);
    for (const table of TABLES) {
      await copy(tx, table, copies, stride);
      say(`${table} copied`);
    }
    await moveCursor(tx, FIRST_SHOP, stride * (copies + 1));
  });
  return counted(sql);
}

async function counted(sql: Sql): Promise<{ joints: number; checks: number }> {
  const [row] = await sql<{ joints: number; checks: number }[]>`
    select (select count(*) from derived_joint where shop_id = ${FIRST_SHOP})::int as joints,
      (select count(*) from entry where shop_id = ${FIRST_SHOP} and kind = 'look-ended')::int as checks`;
  return row!;
}

async function copy(tx: Tx, table: string, copies: number, stride: number): Promise<void> {
  const columns = await tx<{ name: string; type: string }[]>`
    select column_name as name, data_type as type from information_schema.columns
    where table_schema = 'public' and table_name = ${table} and is_generated = 'NEVER' order by ordinal_position`;
  const values = columns.map(({ name, type }) => copiedValue(table, name, type, stride));
  const names = columns.map((c) => `"${c.name}"`).join(', ');
  const which =
    table === 'entry'
      ? `and coalesce(t.subject_kind, '') not in ('shop', 'stock') and t.kind not in (${LEFT_OUT.map((k) => `'${k}'`).join(', ')}) and not ${unpressed('t')}\n      and not exists (select from entry b where b.shop_id = t.shop_id and b.entry_id = t.follows_id and ${unpressed('b')})`
      : '';
  await tx.unsafe(`
    insert into ${table} (${names}) select ${values.join(', ')} from ${table} t cross join generate_series(1, ${copies}) as c (copy)
    where t.shop_id = '${FIRST_SHOP}' ${which}`);
}

/** Where an id says its version, a copy's says which copy it is. */
const UUID = '([0-9a-f]{8}-[0-9a-f]{4}-)7[0-9a-f]{3}(-[0-9a-f]{4}-[0-9a-f]{12})';
const BACK = `make_interval(days => (c.copy * ${STEP_DAYS}) % ${SPREAD_DAYS})`;

function copiedValue(table: string, name: string, type: string, stride: number): string {
  const own = `t."${name}"`;
  if (name === 'shop_id' || name === 'device_id') return own;
  if (name === 'seq') return 'null';
  if (name === 'position' || name === 'up_to') return `${own} + ${stride}::bigint * c.copy`;
  if (type === 'uuid') return `pg_temp.copied(${own}, c.copy)`;
  if (type === 'jsonb' && name !== 'rules' && name !== 'shown')
    return `regexp_replace(${own}::text, '${UUID}', '\\1e' || lpad(to_hex(c.copy), 3, '0') || '\\2', 'g')::jsonb`;
  if (type.startsWith('timestamp')) return `${own} - ${BACK}`;
  if (type === 'date') return `(${own} - ${BACK})::date`;
  if ((table === 'premises' && name === 'name') || (table === 'premises' && name === 'search')) return `${own} || ' ' || c.copy`;
  if (name === 'search') return `replace(${own}, E'\\n', ' ' || c.copy || E'\\n')`;
  return own;
}
