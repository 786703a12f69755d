import { shopCatalogue } from '../../../../../store/own-parts/index.ts';
import { database } from '../../../../http/database.ts';
import { get } from '../../../../http/door/index.ts';

/** The parts a shop matches with: its own, then the shipped ones. */
export const GET = get(async ({ locals }) => {
  const { version, currency, parts, loose } = await shopCatalogue(database(), locals.shop);
  return { version, currency, parts, loose };
});
