import { jointsCsv } from '../../../../store/record-csv.ts';
import { database } from '../../../http/database.ts';
import { CSV } from '../../../http/endpoint.ts';
import { streamed } from '../../../http/streamed.ts';

/** Every joint of the ledger. */
export const GET = streamed({ type: CSV, name: 'joints.csv' }, ({ locals }) => jointsCsv(database(), locals.shop));
