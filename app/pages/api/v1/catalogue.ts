import type { APIRoute } from 'astro';
import { shopCatalogue } from '../../../../store/own-parts.ts';
import { rulesInForce } from '../../../../store/rules.ts';
import { stockOnVan } from '../../../../store/stock.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { answerOf } from '../../../http/faults.ts';
import { json } from '../../../http/problem.ts';

/** What matching and work cards need in the browser: parts, loose pieces, steps, the house rules in force and the van's stock. */
export const GET: APIRoute = async () => {
  try {
    const [own, rules, stock] = await Promise.all([
      shopCatalogue(database(), THE_SHOP),
      rulesInForce(database(), THE_SHOP),
      stockOnVan(database(), THE_SHOP),
    ]);
    return json({ ...own, rules, stock });
  } catch (error) {
    return answerOf(error);
  }
};
