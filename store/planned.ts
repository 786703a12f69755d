import type { Sql, Tx } from './database/index.ts';

/**
 * A question whose best plan hangs on what is asked: a word that a third of all lines hold, or none. Planned for its own words each time, for the
 * plan that is kept after some askings serves none of them well.
 */
export async function plannedAnew<T extends readonly object[]>(sql: Sql, ask: (tx: Tx) => PromiseLike<T>): Promise<T> {
  return (await sql.begin('read only', async (tx) => {
    const [, answer] = await Promise.all([tx`set local plan_cache_mode = force_custom_plan`, ask(tx)]);
    return answer;
  })) as T;
}
