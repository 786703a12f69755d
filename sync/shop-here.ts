/** The shop that this page is of, and what a browser keeps for it alone. */
import { FIRST_SHOP } from '../record/index.ts';

/** As its page says; a page stays with its shop whatever the browser turns to meanwhile. */
export const shopHere: string = (typeof document === 'undefined' ? undefined : document.documentElement.dataset.shop) ?? FIRST_SHOP;

/** Name under which a browser keeps something of this shop, beside what it keeps of others. */
export const ofThisShop = (name: string): string => (shopHere === FIRST_SHOP ? name : `${name}@${shopHere}`);

/** Address of a call, with the shop that it is about. */
export const forThisShop = (path: string): string => `${path}${path.includes('?') ? '&' : '?'}shop=${shopHere}`;
