import { exportAllParts } from '../../../../../store/own-parts.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { csvFile } from '../../../../http/endpoint.ts';

/** Every part the shop matches with (RFC 4180, UTF-8). */
export const GET = csvFile('parts.csv', () => exportAllParts(database(), THE_SHOP));
