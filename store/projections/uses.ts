/** What runs took from the vans, by the making of the joint that took it; given back where that is taken back. */
import { happenedAt } from '../../record/index.ts';
import { groupBy, type Tx } from '../database/index.ts';
import type { DerivedRun, UseRow } from './derived.ts';
import { countUses, stockMoved } from './stock.ts';

/** Brings the uses of some runs up to what is recorded. */
export async function keepUses(tx: Tx, shopId: string, derived: DerivedRun[], levels: 'now' | 'later'): Promise<void> {
  if (derived.length === 0) return;
  const visitIds = [...new Set(derived.map((d) => d.visitId))];
  const [vans, before] = await Promise.all([
    tx<
      { visit_id: string; van_id: string | null }[]
    >`select visit_id, van_id from visit where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[])`,
    // All anew: there are none yet.
    levels === 'later'
      ? []
      : tx<(UseRow & { position: string })[]>`
      select visit_id, run_id, entry_id, item, quantity, van_id, used_at, device_id, seq, position from derived_use
      where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[])`,
  ]);
  const vanOf = new Map(vans.map((v) => [v.visit_id, v.van_id]));
  const had = groupBy(before, (u) => `${u.visit_id} ${u.run_id}`);
  const gone: UseRow[] = [];
  const fresh: UseRow[] = [];
  for (const run of derived) {
    const own = had.get(`${run.visitId} ${run.read.run.id}`) ?? [];
    const now = usesOf(run, vanOf.get(run.visitId) ?? null);
    if (signature(own) === signature(now)) continue;
    gone.push(...own);
    fresh.push(...now);
  }
  if (gone.length + fresh.length === 0) return;
  const runs = [...new Map(gone.map((u) => [`${u.visit_id} ${u.run_id}`, u])).values()];
  for (const { visit_id, run_id } of runs)
    await tx`delete from derived_use where shop_id = ${shopId} and visit_id = ${visit_id} and run_id = ${run_id}`;
  const rows = fresh.map((u) => ({ shop_id: shopId, ...u }));
  for (let i = 0; i < rows.length; i += 1000) await tx`insert into derived_use ${tx(rows.slice(i, i + 1000))}`;
  if (levels === 'later') return;
  await countUses(tx, shopId, [...gone.map((u) => ({ ...u, change: -u.quantity })), ...fresh.map((u) => ({ ...u, change: u.quantity }))]);
}

function usesOf({ visitId, read, entries }: DerivedRun, vanId: string | null): UseRow[] {
  const positions = new Map(entries.map((e) => [e.id, e.position]));
  const found = new Map<string, UseRow>();
  for (const { item, quantity, by } of read.state?.uses ?? []) {
    const key = `${by.id} ${item}`;
    const row = found.get(key);
    if (row) row.quantity += quantity;
    else {
      const { id, deviceId, seq = null } = by;
      found.set(key, {
        visit_id: visitId,
        run_id: read.run.id,
        entry_id: id,
        item,
        quantity,
        van_id: vanId,
        used_at: new Date(happenedAt(by)),
        device_id: deviceId,
        seq,
        position: positions.get(id) ?? 0,
      });
    }
  }
  return [...found.values()];
}

const signature = (uses: UseRow[]): string =>
  uses
    .map((u) => [u.entry_id, u.item, u.quantity, u.van_id, u.used_at.getTime(), u.device_id, u.seq, u.position].join(' '))
    .sort()
    .join('|');

/** Another van goes to a visit: what was taken there was taken from that one. */
export async function keepVans(tx: Tx, shopId: string, visitIds: string[]): Promise<void> {
  if (visitIds.length === 0) return;
  const moved = await tx<{ item: string }[]>`
    update derived_use u set van_id = v.van_id from visit v
    where u.shop_id = ${shopId} and u.visit_id = any(${visitIds}::uuid[]) and v.shop_id = u.shop_id and v.visit_id = u.visit_id
      and u.van_id is distinct from v.van_id returning u.item`;
  if (moved.length > 0) await stockMoved(tx, shopId, [...new Set(moved.map((m) => m.item))]);
}
