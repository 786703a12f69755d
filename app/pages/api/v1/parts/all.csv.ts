import { exportAllParts } from '../../../../../store/own-parts/index.ts';
import { database } from '../../../../http/database.ts';
import { CSV, file } from '../../../../http/door/index.ts';

/** Every part the shop matches with. */
export const GET = file({ type: CSV, name: 'parts.csv' }, ({ locals }) => exportAllParts(database(), locals.shop));
