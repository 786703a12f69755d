import { exportParts } from '../../../../../store/own-parts.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { csvFile } from '../../../../http/endpoint.ts';

/** The shop's own parts, as they came in (RFC 4180, UTF-8). */
export const GET = csvFile('own-parts.csv', () => exportParts(database(), THE_SHOP));
