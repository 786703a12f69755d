import Papa from 'papaparse';
import { ledger } from '../../../../store/ledger.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { CSV, file } from '../../../http/endpoint.ts';
import { ledgerQuery } from '../../../http/ledger-query.ts';

/** The ledger; cells that a spreadsheet would run as formulas are made safe. */
export const GET = file({ type: CSV, name: 'ledger.csv' }, async ({ url }) => {
  const { rows } = await ledger(database(), THE_SHOP, { ...ledgerQuery(url), limit: 10_000, offset: 0 });
  const cells = rows.map((r) => ({
    date: r.onDate,
    premises: r.premises,
    place: r.place,
    appliance: r.applianceKind,
    run: r.run,
    water: r.water,
    from: r.from,
    to: r.to,
    parts: r.parts,
    joints: r.joints,
    seals: r.seals.join(' '),
    price: (r.priceCents / 100).toFixed(2),
    currency: r.currency,
    callbacks: r.callbacks,
    exceptions: r.exceptions,
    visit: r.visitId,
    run_id: r.runId,
  }));
  return `${Papa.unparse(cells, { escapeFormulae: true })}\r\n`;
});
