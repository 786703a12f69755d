/** What is to be bought, as the rows of a file for a spreadsheet or a supplier. */
import type { reorderOf } from './levels.ts';

interface Names {
  nameOf: (item: string) => string;
  /** Length of a whole coil, inches; undefined for what is not cut from one. */
  coilIn: (item: string) => number | undefined;
  placeOf: (placeId: string) => string;
}

export const REORDER_COLUMNS = ['item', 'name', 'quantity', 'unit', 'coils', 'for'] as const;

export const reorderRows = (
  reorder: ReturnType<typeof reorderOf>,
  { nameOf, coilIn, placeOf }: Names,
): Record<(typeof REORDER_COLUMNS)[number], string | number>[] =>
  reorder.map(({ item, quantity, at }) => {
    const coil = coilIn(item);
    return {
      item,
      name: nameOf(item),
      quantity,
      unit: coil === undefined ? 'piece' : 'inch',
      coils: coil === undefined ? '' : Math.ceil(quantity / coil),
      for: at.map((a) => `${placeOf(a.placeId)}: ${a.quantity}`).join('; '),
    };
  });
