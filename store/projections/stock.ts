/** What lies on shelves and vans: derived from what was said of them, and from what runs took. */
import { type BookEntry, happenedAt, type ToldAmount, toldOf } from '../../record/index.ts';
import type { Tx } from '../database/index.ts';
import { stockEntriesOfItems } from '../queries/index.ts';
import type { PlacedBookEntry } from '../rows/index.ts';
import type { Derived, UseRow } from './derived.ts';
import { differs, setTo } from './upsert.ts';

const PLACE_COLUMNS = ['name', 'kind', 'made', 'gone'];

export async function keepStockPlaces(tx: Tx, shopId: string, derived: Derived<'stock'>[]): Promise<void> {
  if (derived.length === 0) return;
  const firstVan = async () => (await tx<{ van: string | null }[]>`select first_van(${shopId}) as van`)[0]!.van;
  const before = await firstVan();
  const rows = derived.flatMap(({ id, state, entries }) => {
    const made = entries.find((e) => e.change === 'place-made')?.position ?? 0;
    return state ? [{ shop_id: shopId, stock_place_id: id, name: state.name, kind: state.kind, made, gone: false }] : [];
  });
  let changed = 0;
  if (rows.length > 0) {
    const { count } = await tx`
      insert into stock_place ${tx(rows)} on conflict (shop_id, stock_place_id) do update set ${setTo(tx, PLACE_COLUMNS)}
        where ${differs(tx, 'stock_place', PLACE_COLUMNS)}`;
    changed += count;
  }
  const gone = derived.filter((d) => d.state === null).map((d) => d.id);
  if (gone.length > 0) {
    const { count } = await tx`
      update stock_place set gone = true where shop_id = ${shopId} and stock_place_id = any(${gone}::uuid[]) and not gone`;
    changed += count;
  }
  // Runs whose visit names no van took from the first.
  if ((await firstVan()) !== before) await stockMoved(tx, shopId, null);
  else if (changed > 0) await stockTold(tx, shopId);
}

/** Brings levels up to entries that were just kept. */
export async function deriveLevels(
  tx: Tx,
  shopId: string,
  kept: readonly BookEntry[],
  entriesOf: (id: string) => readonly BookEntry[],
): Promise<void> {
  const items = new Set<string>();
  for (const entry of kept) {
    if (entry.subject.kind !== 'stock') continue;
    const own = entriesOf(entry.subject.id);
    for (let e: BookEntry | undefined = entry; e; e = own.find((other) => other.id === e!.correctsId)) {
      if (typeof e.body.item === 'string') items.add(e.body.item);
    }
  }
  await keepLevels(tx, shopId, [...items]);
}

/** How many items are derived in one go. */
const SLICE = 500;

async function keepLevels(tx: Tx, shopId: string, items: string[]): Promise<void> {
  for (let i = 0; i < items.length; i += SLICE) {
    const slice = items.slice(i, i + SLICE);
    const byItem = await stockEntriesOfItems(tx, shopId, slice);
    const rows = slice.flatMap((item) => [...toldOf(item, byItem.get(item) ?? []).values()].map((told) => levelRow(shopId, item, told)));
    await tx`delete from stock_level where shop_id = ${shopId} and item = any(${slice})`;
    for (let at = 0; at < rows.length; at += 1000) await tx`insert into stock_level ${tx(rows.slice(at, at + 1000))}`;
    await stockMoved(tx, shopId, slice);
  }
}

function levelRow(shopId: string, item: string, { placeId, quantity, minimum, counted, first }: ToldAmount<PlacedBookEntry>) {
  return {
    shop_id: shopId,
    stock_place_id: placeId,
    item,
    told: quantity,
    minimum,
    counted_at: counted && new Date(happenedAt(counted)),
    counted_device: counted?.deviceId ?? null,
    counted_seq: counted?.seq ?? null,
    since: first.position,
  };
}

export async function keepAllLevels(tx: Tx, shopId: string): Promise<void> {
  const rows = await tx<{ item: string }[]>`
    select distinct body ->> 'item' as item from entry where shop_id = ${shopId} and subject_kind = 'stock' and body ? 'item' order by 1`;
  await keepLevels(
    tx,
    shopId,
    rows.map((r) => r.item),
  );
}

/** What runs took of some items is counted anew; of all where none are named. */
export async function stockMoved(tx: Tx, shopId: string, items: string[] | null): Promise<void> {
  await tx`
    update stock_level l set used = coalesce((
      select sum(u.quantity) from derived_use u
      where u.shop_id = l.shop_id and u.item = l.item and coalesce(u.van_id, first_van(${shopId})) = l.stock_place_id
        and use_counts(u.position, u.used_at, u.device_id, u.seq, l.since, l.counted_at, l.counted_device, l.counted_seq)), 0)
    where l.shop_id = ${shopId} ${items === null ? tx`` : tx`and l.item = any(${items})`}`;
  await stockTold(tx, shopId);
}

/** What a reader remembers of the stock is no longer so. */
const stockTold = (tx: Tx, shopId: string) => tx`update shop_cursor set stock_revision = stock_revision + 1 where shop_id = ${shopId}`;

/** Takes some uses from the levels, or gives them back: by `change`, of their quantity. */
export async function countUses(tx: Tx, shopId: string, uses: (UseRow & { change: number })[]): Promise<void> {
  const rows = uses.map((u) => ({ ...u, used_at: u.used_at.toISOString() }));
  const moved = await tx`
    update stock_level l set used = l.used + d.change from (
      select l.stock_place_id, l.item, sum(u.change)::int as change
      from jsonb_to_recordset(${tx.json(rows as never)}) as u (item text, van_id uuid, used_at timestamptz, device_id uuid, seq int, position bigint, change int)
      join stock_level l on l.shop_id = ${shopId} and l.item = u.item and l.stock_place_id = coalesce(u.van_id, first_van(${shopId}))
      where use_counts(u.position, u.used_at, u.device_id, u.seq, l.since, l.counted_at, l.counted_device, l.counted_seq)
      group by l.stock_place_id, l.item) d
    where l.shop_id = ${shopId} and l.stock_place_id = d.stock_place_id and l.item = d.item and d.change <> 0`;
  if (moved.count > 0) await stockTold(tx, shopId);
}
