import { entriesCsv } from '../../../../store/record-csv.ts';
import { database } from '../../../http/database.ts';
import { CSV } from '../../../http/endpoint.ts';
import { streamed } from '../../../http/streamed.ts';

/** Every entry in the order in which it was kept. */
export const GET = streamed({ type: CSV, name: 'entries.csv' }, ({ locals }) => entriesCsv(database(), locals.shop));
