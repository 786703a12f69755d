import { jointsCsv } from '../../../../store/files/record-csv.ts';
import { database } from '../../../http/database.ts';
import { CSV } from '../../../http/door/endpoint.ts';
import { streamed } from '../../../http/door/streamed.ts';

/** Every joint of the ledger. */
export const GET = streamed({ type: CSV, name: 'joints.csv' }, ({ locals }) => jointsCsv(database(), locals.shop));
