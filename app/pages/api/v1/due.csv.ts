import Papa from 'papaparse';
import { now } from '../../../../store/database/index.ts';
import { dueAll } from '../../../../store/queries/index.ts';
import { dueQuery } from '../../../http/asked/index.ts';
import { database } from '../../../http/database.ts';
import { CSV, file } from '../../../http/door/index.ts';

const COLUMNS = ['due', 'what', 'todo', 'of', 'premises', 'place', 'run', 'since', 'because', 'visit', 'run_id'];
/** A list that nobody reads to its end is no list: the first hundred thousand. */
const MOST = 100_000;

/** Everything that falls due; cells that a spreadsheet would run as formulas are made safe. */
export const GET = file({ type: CSV, name: 'due.csv' }, async ({ url, locals }) => {
  const rows = await dueAll(database(), locals.shop, now(), dueQuery(url), MOST);
  const cells = rows.map((r) => [
    r.dueOn,
    r.kind,
    r.todo,
    r.what,
    r.premises.name,
    r.place ?? '',
    r.run ?? '',
    r.since ?? '',
    r.because,
    r.visitId ?? '',
    r.runId ?? '',
  ]);
  return `${Papa.unparse({ fields: COLUMNS, data: cells }, { escapeFormulae: true })}\r\n`;
});
