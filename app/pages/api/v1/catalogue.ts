import { shopCatalogue } from '../../../../store/own-parts.ts';
import { rulesInForce } from '../../../../store/rules.ts';
import { stockOnVan } from '../../../../store/stock.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { get } from '../../../http/endpoint.ts';

/** What matching and work cards need in the browser: parts, loose pieces, steps, the house rules in force and the van's stock. */
export const GET = get(async () => {
  const [own, rules, stock] = await Promise.all([
    shopCatalogue(database(), THE_SHOP),
    rulesInForce(database(), THE_SHOP),
    stockOnVan(database(), THE_SHOP),
  ]);
  return { ...own, rules, stock };
});
