import { jointsCsv } from '../../../../store/files/index.ts';
import { database } from '../../../http/database.ts';
import { CSV, streamed } from '../../../http/door/index.ts';

/** Every joint of the ledger. */
export const GET = streamed({ type: CSV, name: 'joints.csv' }, ({ locals }) => jointsCsv(database(), locals.shop));
