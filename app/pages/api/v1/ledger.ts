import { ledger } from '../../../../store/queries/ledger.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { get } from '../../../http/endpoint.ts';
import { ledgerQuery } from '../../../http/ledger-query.ts';

export const GET = get(({ url }) => ledger(database(), THE_SHOP, ledgerQuery(url)));
