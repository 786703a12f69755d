import Papa from 'papaparse';
import { allOfLedger, type LedgerRow } from '../../../../store/queries/ledger.ts';
import { database } from '../../../http/database.ts';
import { CSV, file } from '../../../http/endpoint.ts';
import { ledgerQuery } from '../../../http/ledger-query.ts';

/** The whole ledger that fits, however long; cells that a spreadsheet would run as formulas are made safe. */
export const GET = file({ type: CSV, name: 'ledger.csv' }, async ({ url, locals }) => {
  const slices: string[] = [];
  for await (const rows of allOfLedger(database(), locals.shop, ledgerQuery(url))) {
    slices.push(Papa.unparse(rows.map(cellsOf), { escapeFormulae: true, header: slices.length === 0 }));
  }
  return `${slices.join('\r\n') || COLUMNS.join(',')}\r\n`;
});

const cellsOf = (r: LedgerRow) => ({
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
  signed_off: r.signedOff ? 'yes' : 'no more',
  recheck: r.recheck,
  visit: r.visitId,
  run_id: r.runId,
});

/** Of an empty ledger too. */
const COLUMNS = ['date', 'premises', 'place', 'appliance', 'run', 'water', 'from', 'to', 'parts', 'joints', 'seals', 'price', 'currency', 'callbacks', 'exceptions', 'signed_off', 'recheck', 'visit', 'run_id']; // biome-ignore format: one row
