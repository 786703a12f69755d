import { ledger } from '../../../../store/queries/ledger.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/endpoint.ts';
import { ledgerQuery } from '../../../http/ledger-query.ts';

export const GET = get(({ url, locals }) => ledger(database(), locals.shop, ledgerQuery(url)));
