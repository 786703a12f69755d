/** Sheets of days and weeks as pages carry them along: worked out once for as long as nothing is entered. */
import { packDay, packWeek } from '../../record/index.ts';
import { byShop, type Sql, shopCursor } from '../database/index.ts';
import { daySheet } from './day.ts';
import { weekSheet } from './week.ts';

interface Kept {
  tag: string;
  text: string;
}

/** A month of days and some weeks: a few megabytes. */
const MOST = 40;
/** What is overdue follows from the hour: on a day to the minute, in a week, which is four times the work, to ten. */
const STANDS_MS = { day: 60_000, week: 600_000 };

const remembered = byShop<Map<string, Kept>>();

export const packedDay = (sql: Sql, shopId: string, day: string, at: Date): Promise<string> =>
  kept(sql, shopId, `day ${day}`, Math.floor(at.getTime() / STANDS_MS.day), async () => packDay(await daySheet(sql, shopId, day, at)));

export const packedWeek = (sql: Sql, shopId: string, monday: string, at: Date): Promise<string> =>
  kept(sql, shopId, `week ${monday}`, Math.floor(at.getTime() / STANDS_MS.week), async () => packWeek(await weekSheet(sql, shopId, monday, at)));

async function kept(sql: Sql, shopId: string, name: string, hour: number, make: () => Promise<string>): Promise<string> {
  const shops = remembered(sql);
  const own = shops.get(shopId) ?? new Map<string, Kept>();
  shops.set(shopId, own);
  // Read before the sheet: what is entered between the two is in it already, and found as new the next time.
  const { position, stock } = await shopCursor(sql, shopId);
  const tag = `${position} ${stock} ${hour}`;
  const known = own.get(name);
  if (known?.tag === tag) return known.text;
  const text = await make();
  // The one that was made last stands last.
  own.delete(name);
  own.set(name, { tag, text });
  for (const oldest of own.keys()) {
    if (own.size <= MOST) break;
    own.delete(oldest);
  }
  return text;
}
