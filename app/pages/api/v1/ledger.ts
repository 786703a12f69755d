import type { APIRoute } from 'astro';
import { ledger } from '../../../../store/ledger.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { answerOf } from '../../../http/faults.ts';
import { ledgerQuery } from '../../../http/ledger-query.ts';
import { json } from '../../../http/problem.ts';

export const GET: APIRoute = async ({ url }) => {
  try {
    return json(await ledger(database(), THE_SHOP, ledgerQuery(url)));
  } catch (error) {
    return answerOf(error);
  }
};
