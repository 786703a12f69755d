import { shopCatalogue } from '../../../../../store/own-parts/index.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { get } from '../../../../http/endpoint.ts';

/** The parts a shop matches with: its own, then the shipped ones. */
export const GET = get(async () => {
  const { version, currency, parts, loose } = await shopCatalogue(database(), THE_SHOP);
  return { version, currency, parts, loose };
});
