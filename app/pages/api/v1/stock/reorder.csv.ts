import Papa from 'papaparse';
import { shopCatalogue } from '../../../../../store/own-parts/index.ts';
import { stockAnswer } from '../../../../../store/queries/stock.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { CSV, file } from '../../../../http/endpoint.ts';

/** What is to be bought, for a spreadsheet or a supplier. */
export const GET = file({ type: CSV, name: 'reorder.csv' }, async () => {
  const { parts } = await shopCatalogue(database(), THE_SHOP);
  const { places, reorder } = await stockAnswer(database(), THE_SHOP, parts);
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
