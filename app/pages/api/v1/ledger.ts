import { ledger } from '../../../../store/queries/ledger.ts';
import { ledgerQuery } from '../../../http/asked/ledger-query.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/endpoint.ts';

export const GET = get(({ url, locals }) => ledger(database(), locals.shop, ledgerQuery(url)));
