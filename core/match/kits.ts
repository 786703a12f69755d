/** Several parts sold as one. */
export interface Kit {
  id: string;
  name: string;
  /** Part ids, one of each. */
  contents: string[];
  priceCents: number;
}

/**
 * The kit that saves most on what has to be bought: everything in it is wanted.
 *
 * @param toBuy items, one of each
 * @param centsOf the price of an item by itself
 * @returns null where every kit holds something that is not wanted, or costs no less than its contents
 */
export function kitFor(toBuy: readonly string[], kits: readonly Kit[], centsOf: (item: string) => number): Kit | null {
  let best: { kit: Kit; saves: number } | null = null;
  for (const kit of kits) {
    if (!kit.contents.every((item) => toBuy.includes(item))) continue;
    const saves = kit.contents.reduce((sum, item) => sum + centsOf(item), 0) - kit.priceCents;
    if (saves > (best?.saves ?? 0)) best = { kit, saves };
  }
  return best?.kit ?? null;
}
