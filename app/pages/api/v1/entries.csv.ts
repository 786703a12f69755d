import { entriesCsv } from '../../../../store/files/record-csv.ts';
import { database } from '../../../http/database.ts';
import { CSV } from '../../../http/door/endpoint.ts';
import { streamed } from '../../../http/door/streamed.ts';

/** Every entry in the order in which it was kept. */
export const GET = streamed({ type: CSV, name: 'entries.csv' }, ({ locals }) => entriesCsv(database(), locals.shop));
