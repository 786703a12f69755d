import type { APIRoute } from 'astro';
import Papa from 'papaparse';
import { allOfLedger, type LedgerQuery, type LedgerRow } from '../../../../store/queries/index.ts';
import { ledgerQuery } from '../../../http/asked/index.ts';
import { database } from '../../../http/database.ts';
import { answerOf, CSV, streamed } from '../../../http/door/index.ts';

/** The whole ledger that fits, however long; cells that a spreadsheet would run as formulas are made safe. */
export const GET: APIRoute = (asked) => {
  try {
    const query = ledgerQuery(asked.url);
    return streamed({ type: CSV, name: 'ledger.csv' }, () => slices(asked.locals.shop, query))(asked);
  } catch (error) {
    return answerOf(error);
  }
};

async function* slices(shopId: string, query: LedgerQuery): AsyncGenerator<string> {
  yield `${COLUMNS.join(',')}\r\n`;
  for await (const rows of allOfLedger(database(), shopId, query)) {
    yield `${Papa.unparse(rows.map(cellsOf), { escapeFormulae: true, header: false })}\r\n`;
  }
}

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

const COLUMNS = [
  'date',
  'premises',
  'place',
  'appliance',
  'run',
  'water',
  'from',
  'to',
  'parts',
  'joints',
  'seals',
  'price',
  'currency',
  'callbacks',
  'exceptions',
  'signed_off',
  'recheck',
  'visit',
  'run_id',
];
