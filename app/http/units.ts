/** What figures are said in for the one who asks: as the device's cookie says, else as the shop does. */
import { AsyncLocalStorage } from 'node:async_hooks';
import type { APIContext } from 'astro';
import type { Units } from '../../core/index.ts';
import { shopNow } from '../../store/queries/index.ts';
import { database } from './database.ts';

const store = new AsyncLocalStorage<Units>();
// Islands are drawn far below the page that asks for them: they find it here, and in the browser on the page itself.
(globalThis as { unitsOfRequest?: () => Units | undefined }).unitsOfRequest = () => store.getStore();

type Asks = Pick<APIContext, 'cookies' | 'locals'>;

function ownOf({ cookies }: Asks): Units | null {
  const own = cookies.get('units')?.value;
  return own === 'inch' || own === 'metric' ? own : null;
}

/** Of a page, which knows its shops. */
export const unitsOf = (asks: Asks): Units => ownOf(asks) ?? asks.locals.shops.find((s) => s.id === asks.locals.shop)?.units ?? 'inch';

/** Of a file that is asked for. */
export const unitsAsked = async (asks: Asks): Promise<Units> => ownOf(asks) ?? (await shopNow(database(), asks.locals.shop)).units;

/** Makes a page with its figures in these units. */
export const inUnits = <T>(units: Units, make: () => Promise<T>): Promise<T> => store.run(units, make);
