/** The ledger's own tables: connections as they are searched, and what is due again at them. */
import { catalogue } from '../../catalog/index.ts';
import { endLabel, tasksOf } from '../../core/index.ts';
import { partNames, type RunState, recheckWaitsMs, summaryOf, taskFactsOf } from '../../record/index.ts';
import type { Tx } from '../database/index.ts';
import type { DerivedRun } from './derived.ts';
import { setTo } from './upsert.ts';

const LINE_COLUMNS = [
  'premises_id',
  'kind',
  'signed_off_at',
  'on_date',
  'search',
  'ends',
  'parts',
  'seals',
  'found',
  'joints',
  'callbacks',
  'recheck',
];

/** Brings the lines of some runs up to what is recorded. One that was never signed off has none. */
export async function keepLedger(tx: Tx, shopId: string, derived: DerivedRun[]): Promise<void> {
  if (derived.length === 0) return;
  const which = tx`unnest(${derived.map((d) => d.visitId)}::uuid[], ${derived.map((d) => d.read.run.id)}::uuid[]) as now (visit_id, run_id)`;
  await tx`delete from derived_duty d using ${which} where d.shop_id = ${shopId} and d.visit_id = now.visit_id and d.run_id = now.run_id`;
  const lines = derived.flatMap(lineOf);
  const kept = new Set(lines.map((l) => `${l.visit_id} ${l.run_id}`));
  const gone = derived.filter((d) => !kept.has(`${d.visitId} ${d.read.run.id}`));
  if (gone.length > 0) {
    await tx`
      delete from ledger_line l using unnest(${gone.map((d) => d.visitId)}::uuid[], ${gone.map((d) => d.read.run.id)}::uuid[]) as now (visit_id, run_id)
      where l.shop_id = ${shopId} and l.visit_id = now.visit_id and l.run_id = now.run_id`;
  }
  if (lines.length > 0) {
    await tx`
      insert into ledger_line (shop_id, visit_id, run_id, ${LINE_COLUMNS.map((c) => tx`${tx(c)}`).reduce((all, one) => tx`${all}, ${one}`)})
      select ${shopId}, n.visit_id, n.run_id, v.premises_id, n.kind, n.signed_off_at, (n.signed_off_at at time zone p.time_zone)::date, ${searched(tx, tx`n.words`)},
        n.ends, n.parts, n.seals, n.found, n.joints, n.callbacks, n.recheck
      from jsonb_to_recordset(${tx.json(lines as never)}) as n (visit_id uuid, run_id uuid, kind text, signed_off_at timestamptz, words text, ends text[],
        parts text[], seals text[], found text[], joints int, callbacks int, recheck text)
      join visit v on v.shop_id = ${shopId} and v.visit_id = n.visit_id
      join premises p on p.shop_id = ${shopId} and p.premises_id = v.premises_id
      join run r on r.shop_id = ${shopId} and r.run_id = n.run_id
      join appliance a on a.shop_id = ${shopId} and a.appliance_id = r.appliance_id
      join place pl on pl.shop_id = ${shopId} and pl.place_id = a.place_id
      on conflict (shop_id, visit_id, run_id) do update set ${setTo(tx, LINE_COLUMNS)}`;
  }
  const duties = derived.flatMap(taskRows);
  if (duties.length > 0) {
    await tx`
      insert into derived_duty (shop_id, visit_id, run_id, duty, what, goes_by, since_on, not_before)
      select ${shopId}, n.visit_id, n.run_id, n.duty, n.what, n.goes_by, (n.since at time zone p.time_zone)::date, n.not_before
      from jsonb_to_recordset(${tx.json(duties as never)}) as n (visit_id uuid, run_id uuid, duty text, what text, goes_by text, since timestamptz, not_before date)
      join visit v on v.shop_id = ${shopId} and v.visit_id = n.visit_id
      join premises p on p.shop_id = ${shopId} and p.premises_id = v.premises_id`;
  }
  await keepCurrent(tx, shopId, [...new Set(derived.map((d) => d.read.run.id))]);
}

function lineOf({ visitId, read }: DerivedRun) {
  const { state, run } = read;
  const summary = summaryOf(read);
  if (!state?.accepted || summary.wasSignedMs === null) return [];
  const { from, to, rejoin, chain } = state.accepted;
  const ends = [...new Set([from, to, ...(rejoin ? [rejoin] : []), ...chain.joints.flatMap((j) => [j.a, j.b])])];
  const words = [from, to, endLabel(from), endLabel(to), ...partNames(state.accepted)].join(' ').toLowerCase();
  return [
    {
      visit_id: visitId,
      run_id: run.id,
      kind: run.applianceKind,
      signed_off_at: new Date(summary.wasSignedMs).toISOString(),
      words,
      ends,
      parts: chain.parts,
      seals: summary.seals,
      found: state.found,
      joints: summary.joints,
      callbacks: state.callbacks.length,
      recheck: summary.recheck,
    },
  ];
}

/** Where a line is, and on a line of its own what it is made of; in small letters. */
const searched = (tx: Tx, words: ReturnType<Tx>) =>
  tx`lower(replace(concat_ws(' ', p.name, pl.name, a.name, a.kind, r.name), E'\\n', ' ')) || E'\\n' || ${words}`;

const nameLines = (tx: Tx, shopId: string, runIds: string[]) => tx`
  update ledger_line l set search = now.search, on_date = now.on_date
  from (
    select l.visit_id, l.run_id, ${searched(tx, tx`substr(l.search, strpos(l.search, E'\\n') + 1)`)} as search,
      (l.signed_off_at at time zone p.time_zone)::date as on_date
    from ledger_line l
    join premises p on p.shop_id = l.shop_id and p.premises_id = l.premises_id
    join run r on r.shop_id = l.shop_id and r.run_id = l.run_id
    join appliance a on a.shop_id = l.shop_id and a.appliance_id = r.appliance_id
    join place pl on pl.shop_id = l.shop_id and pl.place_id = a.place_id
    where l.shop_id = ${shopId} and l.run_id = any(${runIds}::uuid[])) now
  where l.shop_id = ${shopId} and l.visit_id = now.visit_id and l.run_id = now.run_id and (l.search, l.on_date) is distinct from (now.search, now.on_date)`;

/** Something was named anew, moved, retired, or a run taken off a list: its lines are found by the new name, and what is due there follows. */
export async function followBook(
  tx: Tx,
  shopId: string,
  ids: { premises: string[]; places: string[]; appliances: string[]; runs: string[]; visits: string[] },
): Promise<void> {
  if (Object.values(ids).every((list) => list.length === 0)) return;
  const { premises, places, appliances, runs, visits } = ids;
  // Each by its own index: whoever books visits all day is not to wait for the ledger.
  const rows = await tx<{ run_id: string }[]>`
    with touched (run_id) as (
      select unnest(${runs}::uuid[])
      union select vr.run_id from visit_run vr where vr.shop_id = ${shopId} and vr.visit_id = any(${visits}::uuid[])
      union select r.run_id from run r where r.shop_id = ${shopId} and r.appliance_id = any(${appliances}::uuid[])
      union select r.run_id from appliance a join run r on r.shop_id = a.shop_id and r.appliance_id = a.appliance_id
        where a.shop_id = ${shopId} and a.premises_id = any(${premises}::uuid[])
      union select r.run_id from place pl
        join appliance a on a.shop_id = pl.shop_id and a.premises_id = pl.premises_id and a.place_id = pl.place_id
        join run r on r.shop_id = a.shop_id and r.appliance_id = a.appliance_id
        where pl.shop_id = ${shopId} and pl.place_id = any(${places}::uuid[]))
    select t.run_id from touched t
    where exists (select from derived_run d where d.shop_id = ${shopId} and d.run_id = t.run_id and d.signed_off_at is not null)`;
  const runIds = rows.map((r) => r.run_id);
  if (runIds.length === 0) return;
  await nameLines(tx, shopId, runIds);
  await keepCurrent(tx, shopId, runIds);
}

/** What falls due at a connection, rechecks among it. */
function taskRows({ visitId, read: { run, state } }: DerivedRun): object[] {
  const facts = state && taskFactsOf(state, run.applianceKind);
  if (!facts) return [];
  const row = (duty: string, what: string, goesBy: string, sinceMs: number, notBefore: string | null) => ({
    visit_id: visitId,
    run_id: run.id,
    duty,
    what,
    goes_by: goesBy,
    since: new Date(sinceMs).toISOString(),
    not_before: notBefore,
  });
  const againMs = recheckWaitsMs({ recheck: state.recheck, recheckDueMs: state.signedOff?.recheckDueMs ?? null });
  const again = againMs === null ? [] : [row('recheck', '', 'recheck', againMs, null)];
  // Where nothing was joined nothing ages: only the look again is due.
  const duties = (state.accepted ? tasksOf(facts, catalogue().duties) : []).flatMap(({ id, what, goesBy, sinceMs }) => {
    const seen = lastSeen(state, id, what);
    if (seen?.body.outcome === 'not-wanted') return [];
    return [row(id, what, goesBy, seen?.body.outcome === 'done' ? Math.max(sinceMs, seen.atMs) : sinceMs, seen?.body.until ?? null)];
  });
  return [...again, ...duties];
}

const lastSeen = ({ dutiesSeen }: RunState, duty: string, what: string) =>
  dutiesSeen.findLast(({ body }) => body.duty === duty && body.what === what);

/** Of each run the connection that was signed off last stands: what was fitted before it is gone, and nothing is due at what is retired. */
async function keepCurrent(tx: Tx, shopId: string, runIds: string[]): Promise<void> {
  await tx`
    update ledger_line l set replaced_at = now.replaced_at
    from (
      select visit_id, run_id, lead(signed_off_at) over (partition by run_id order by signed_off_at, visit_id) as replaced_at
      from ledger_line where shop_id = ${shopId} and run_id = any(${runIds}::uuid[])) now
    where l.shop_id = ${shopId} and l.visit_id = now.visit_id and l.run_id = now.run_id and l.replaced_at is distinct from now.replaced_at`;
  await tx`
    update derived_joint j set signed_on = l.on_date, replaced_at = l.replaced_at from ledger_line l
    where l.shop_id = ${shopId} and l.run_id = any(${runIds}::uuid[]) and j.shop_id = l.shop_id and j.visit_id = l.visit_id and j.run_id = l.run_id
      and (j.signed_on, j.replaced_at) is distinct from (l.on_date, l.replaced_at)`;
  await tx`
    update derived_duty d set is_live = now.is_live
    from (
      select own.visit_id, own.run_id, own.duty, own.what,
        l.replaced_at is null and vr.removed is null and r.retired is null and a.retired is null and pl.retired is null and p.retired is null as is_live
      from derived_duty own
      left join ledger_line l on l.shop_id = own.shop_id and l.visit_id = own.visit_id and l.run_id = own.run_id
      join visit_run vr on vr.shop_id = own.shop_id and vr.visit_id = own.visit_id and vr.run_id = own.run_id
      join run r on r.shop_id = own.shop_id and r.run_id = own.run_id
      join appliance a on a.shop_id = own.shop_id and a.appliance_id = r.appliance_id
      join place pl on pl.shop_id = own.shop_id and pl.place_id = a.place_id
      join premises p on p.shop_id = own.shop_id and p.premises_id = a.premises_id
      where own.shop_id = ${shopId} and own.run_id = any(${runIds}::uuid[])) now
    where d.shop_id = ${shopId} and d.visit_id = now.visit_id and d.run_id = now.run_id and d.duty = now.duty and d.what = now.what
      and d.is_live <> now.is_live`;
}
