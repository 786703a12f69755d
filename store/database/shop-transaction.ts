/**
 * The one transaction in which a shop is written to: its order is locked first of all, so that no two writers wait for each other; what the
 * database undid to let another through is tried again; and only the program that derived the shop's tables goes on deriving them.
 */
import { setTimeout as wait } from 'node:timers/promises';
import type { Sql, Tx } from './connection.ts';
import { lockCursor } from './cursor.ts';
import { derivationVersion } from './derivation.ts';

/** Another program, or another catalogue, derives the tables of this shop at present: whoever writes through this one is told "later". */
export class OtherProgramError extends Error {
  override readonly name = 'OtherProgramError';
  constructor() {
    super('The program is being brought up to date. What you entered is kept on the device and sent when it is done.');
  }
}

/** The database undid it again and again to let others through. */
export class BusyError extends Error {
  override readonly name = 'BusyError';
  constructor(cause: unknown) {
    super('Too many write at once. What you entered is kept on the device and sent again in a moment.', { cause });
  }
}

/** Deadlock, or two that could not be put in an order: nothing was done, and the same again may well go through. */
const UNDONE = new Set(['40001', '40P01', '55P03']);
const TRIES = 6;

export const wasUndone = (error: unknown): boolean => UNDONE.has((error as { code?: string } | null)?.code ?? '');

/**
 * @param work  is called anew for each try: it keeps nothing outside the transaction
 * @throws OtherProgramError, BusyError, and whatever `work` throws
 */
export const inShop = <T>(sql: Sql, shopId: string, work: (tx: Tx, position: number) => Promise<T>): Promise<T> =>
  tried(() => sql.begin(async (tx) => work(tx, await openShop(tx, shopId))) as Promise<T>);

/** The same for who derives all anew, whatever program derived it before. */
export const inShopAnew = <T>(sql: Sql, shopId: string, work: (tx: Tx) => Promise<T>): Promise<T> =>
  tried(
    () =>
      sql.begin(async (tx) => {
        await lockCursor(tx, shopId);
        return work(tx);
      }) as Promise<T>,
  );

async function tried<T>(work: () => Promise<T>): Promise<T> {
  for (let n = 1; ; n++) {
    try {
      return await work();
    } catch (error) {
      if (!wasUndone(error)) throw error;
      if (n >= TRIES) throw new BusyError(error);
      await wait(2 ** n * 5 * (1 + Math.random()));
    }
  }
}

/** Holds the shop's order until the transaction ends; the position of its newest entry. */
async function openShop(tx: Tx, shopId: string): Promise<number> {
  const position = await lockCursor(tx, shopId);
  // Asked once the order is held: who waited for it would still see what stood before.
  const [derived] = await tx<{ version: string }[]>`select version from derivation where shop_id = ${shopId}`;
  const version = derivationVersion();
  // Nothing is derived in a new shop.
  if (!derived && position === 0) await tx`insert into derivation (shop_id, version) values (${shopId}, ${version})`;
  else if (derived?.version !== version) throw new OtherProgramError();
  return position;
}
