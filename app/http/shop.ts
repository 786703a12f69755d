/** Which shop a request means: settled here and nowhere else. */
import type { APIContext } from 'astro';
import * as z from 'zod/mini';
import { FIRST_SHOP, uuid } from '../../record/index.ts';
import { isShop } from '../../store/shops.ts';
import { database } from './database.ts';
import { RefusedError } from './door/index.ts';

/** What the browser says its shop is; its pages read and write it. */
export const SHOP_COOKIE = 'shop';

/**
 * The shop named in the address (`shop=`), which a device says of what it sends and asks, so that a page that was left open never writes into
 * another; else the one this browser is in; else the first. A browser that is in one that is no more comes to the first.
 *
 * @throws RefusedError for a shop named in the address that is not there
 */
export async function shopAsked({ url, cookies }: Pick<APIContext, 'url' | 'cookies'>): Promise<string> {
  const named = url.searchParams.get('shop');
  if (named !== null) {
    if (!(await isHere(named)))
      throw new RefusedError(404, 'no-shop', 'No such shop', 'There is no shop of that id here. Nothing was changed.', 'shop');
    return named;
  }
  const own = cookies.get(SHOP_COOKIE)?.value;
  return own !== undefined && (await isHere(own)) ? own : FIRST_SHOP;
}

const isHere = async (id: string): Promise<boolean> => z.safeParse(uuid, id).success && isShop(database(), id);
