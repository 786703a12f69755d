/** What is said of the shop as a whole: itself, its house rules, its own parts. */
import { standingOf } from '../../record/index.ts';
import type { Tx } from '../database/index.ts';
import type { Derived } from './derived.ts';
import { differs, setTo } from './upsert.ts';

export async function keepShop(tx: Tx, shopId: string, derived: Derived<'shop'>[]): Promise<void> {
  for (const { state } of derived) {
    await tx`insert into shop_now ${tx({ shop_id: shopId, facts: tx.json(state as never) })} on conflict (shop_id) do update set facts = excluded.facts`;
  }
}

export async function keepRules(tx: Tx, shopId: string, derived: Derived<'rules'>[]): Promise<void> {
  for (const { id, entries, upTo } of derived) {
    const { state, conflicts } = standingOf('rules', id, entries);
    const { version, rules, reason, changedMs } = state!;
    const row = {
      shop_id: shopId,
      version,
      rules: tx.json(rules as never),
      reason,
      changed_at: changedMs === null ? null : new Date(changedMs),
      conflicts: tx.json(conflicts as never),
      up_to: upTo,
    };
    await tx`insert into rules_now ${tx(row as never)} on conflict (shop_id) do update set ${setTo(tx, Object.keys(row).slice(1))}`;
  }
}

const PART_COLUMNS = ['part_id', 'place', 'cells', 'gone', 'up_to'];
const SLICE = 1000;

export async function keepParts(tx: Tx, shopId: string, derived: Derived<'part'>[]): Promise<void> {
  if (derived.length === 0) return;
  let moved = 0;
  const rows = derived.flatMap(({ id, state, upTo }) => {
    const part = state!;
    if (part.row === null) return [];
    return [{ shop_id: shopId, subject_id: id, part_id: part.row.id, place: part.place, cells: tx.json(part.row), gone: part.removed, up_to: upTo }];
  });
  for (let i = 0; i < rows.length; i += SLICE) {
    const { count } = await tx`
      insert into shop_part ${tx(rows.slice(i, i + SLICE) as never)} on conflict (shop_id, subject_id) do update set ${setTo(tx, PART_COLUMNS)}
        where ${differs(tx, 'shop_part', PART_COLUMNS)}`;
    moved += count;
  }
  const never = derived.filter((d) => d.state!.row === null).map((d) => d.id);
  if (never.length > 0) moved += (await tx`delete from shop_part where shop_id = ${shopId} and subject_id = any(${never}::uuid[])`).count;
  if (moved > 0) await tx`update shop_cursor set parts_revision = parts_revision + 1 where shop_id = ${shopId}`;
}
