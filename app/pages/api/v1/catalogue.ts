import type { APIRoute } from 'astro';
import { catalogue } from '../../../../catalog/index.ts';
import { rulesInForce } from '../../../../store/rules.ts';
import { stockOnVan } from '../../../../store/stock.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { answerOf } from '../../../http/faults.ts';
import { json } from '../../../http/problem.ts';

/** What matching and work cards need in the browser: parts, loose pieces, steps, the house rules in force and the van's stock. */
export const GET: APIRoute = async () => {
  try {
    const [rules, stock] = await Promise.all([rulesInForce(database(), THE_SHOP), stockOnVan(database(), THE_SHOP)]);
    return json({ ...catalogue(), rules, stock });
  } catch (error) {
    return answerOf(error);
  }
};
