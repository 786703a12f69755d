import Papa from 'papaparse';
import { shopCatalogue } from '../../../../../store/own-parts/index.ts';
import { stockAnswer } from '../../../../../store/queries/stock.ts';
import { database } from '../../../../http/database.ts';
import { CSV, file } from '../../../../http/endpoint.ts';

/** What is to be bought, for a spreadsheet or a supplier. */
export const GET = file({ type: CSV, name: 'reorder.csv' }, async ({ locals }) => {
  const { parts } = await shopCatalogue(database(), locals.shop);
  const { places, reorder } = await stockAnswer(database(), locals.shop, parts);
  const names = new Map(places.map((p) => [p.id, p.name]));
  const rows = reorder.map((r) => ({
    item: r.item,
    name: r.name,
    quantity: r.quantity,
    unit: r.unit,
    coils: r.coilIn === null ? '' : Math.ceil(r.quantity / r.coilIn),
    for: r.at.map((a) => `${names.get(a.placeId)}: ${a.quantity}`).join('; '),
  }));
  return `${Papa.unparse({ fields: ['item', 'name', 'quantity', 'unit', 'coils', 'for'], data: rows }, { escapeFormulae: true })}\r\n`;
});
