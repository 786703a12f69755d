import Papa from 'papaparse';
import { catalogue } from '../../../../../../catalog/index.ts';
import { type RecordRow, recordRows } from '../../../../../../record/index.ts';
import { visitSheet } from '../../../../../../store/queries/index.ts';
import { visitAsked } from '../../../../../http/asked/index.ts';
import { database } from '../../../../../http/database.ts';
import { CSV, file } from '../../../../../http/door/index.ts';
import { unitsAsked } from '../../../../../http/units.ts';

/** Everything recorded on a visit, in plain words; cells that a spreadsheet would run as formulas are made safe. */
export const GET = file({ type: CSV, name: ({ params }) => `record-${params.id}.csv` }, async (asked) => {
  const { params, locals } = asked;
  const sheet = await visitAsked(params.id, (id) => visitSheet(database(), locals.shop, id));
  return `${Papa.unparse({ fields: [...COLUMNS], data: recordRows(sheet, catalogue(), await unitsAsked(asked)) }, { escapeFormulae: true })}\r\n`;
});

const COLUMNS: readonly (keyof RecordRow)[] = ['run', 'place', 'at', 'device', 'who', 'what', 'before', 'takenBack'];
