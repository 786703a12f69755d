import { entriesCsv } from '../../../../store/files/index.ts';
import { database } from '../../../http/database.ts';
import { CSV, streamed } from '../../../http/door/index.ts';

/** Every entry in the order in which it was kept. */
export const GET = streamed({ type: CSV, name: 'entries.csv' }, ({ locals }) => entriesCsv(database(), locals.shop));
