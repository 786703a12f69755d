import { exportParts } from '../../../../../store/own-parts/index.ts';
import { database } from '../../../../http/database.ts';
import { CSV, file } from '../../../../http/door/index.ts';

/** The shop's own parts, as they came in. */
export const GET = file({ type: CSV, name: 'own-parts.csv' }, ({ locals }) => exportParts(database(), locals.shop));
