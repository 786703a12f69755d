import { ledger } from '../../../../store/queries/index.ts';
import { ledgerQuery } from '../../../http/asked/index.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/index.ts';

export const GET = get(({ url, locals }) => ledger(database(), locals.shop, ledgerQuery(url)));
