import Papa from 'papaparse';
import { REORDER_COLUMNS, reorderRows } from '../../../../../record/index.ts';
import { shopCatalogue } from '../../../../../store/own-parts/index.ts';
import { stockAnswer } from '../../../../../store/queries/index.ts';
import { database } from '../../../../http/database.ts';
import { CSV, file } from '../../../../http/door/index.ts';

/** What is to be bought, for a spreadsheet or a supplier. */
export const GET = file({ type: CSV, name: 'reorder.csv' }, async ({ locals }) => {
  const { parts } = await shopCatalogue(database(), locals.shop);
  const { places, reorder } = await stockAnswer(database(), locals.shop, parts);
  const [names, of] = [new Map(places.map((p) => [p.id, p.name])), new Map(reorder.map((r) => [r.item, r]))];
  const data = reorderRows(reorder, {
    nameOf: (item) => of.get(item)?.name ?? item,
    coilIn: (item) => of.get(item)?.coilIn ?? undefined,
    placeOf: (id) => names.get(id) ?? '',
  });
  return `${Papa.unparse({ fields: [...REORDER_COLUMNS], data }, { escapeFormulae: true })}\r\n`;
});
