import type { reorderOf } from '../../../record/index.ts';

export type Row = ReturnType<typeof reorderOf>[number];

/** What came, to the places in their order until each has what it lacks; what is left over goes to the first. */
export function spread(row: Row, quantity: number): { placeId: string; quantity: number }[] {
  let left = quantity;
  const given = row.at.map((a) => {
    const take = Math.min(left, a.quantity);
    left -= take;
    return { placeId: a.placeId, quantity: take };
  });
  if (given[0]) given[0].quantity += left;
  return given.filter((g) => g.quantity > 0);
}
