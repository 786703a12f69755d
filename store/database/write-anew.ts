/** Writes the tables anew from which a contact was erased: until then their files hold what no query finds. */
import { setTimeout as sleep } from 'node:timers/promises';
import postgres from 'postgres';

/** A day less what a rewrite and an hourly look may take, hours. */
const WITHIN_HOURS = 22;

/** How long a rewrite waits for those who read, ms; then it is tried the next hour. */
const PATIENCE_MS = 10_000;

/** Tables that a contact was written in. */
const TABLES = 'entry, premises';

/**
 * @param ownerUrl address in the role that owns the tables
 * @param isQuiet  nobody is served at the moment: what waits is done at once
 * @returns whether they were written anew
 */
export async function writeAnew(ownerUrl: string, isQuiet: boolean): Promise<boolean> {
  const sql = postgres(ownerUrl, { max: 1, onnotice: () => {} });
  try {
    const [due] = await sql<{ is_due: boolean }[]>`
      select coalesce(min(since) < now() - make_interval(hours => ${isQuiet ? 0 : WITHIN_HOURS}), false) as is_due from to_write_anew`;
    if (!due?.is_due) return false;
    // What was written under a number before this is what the tables are written anew for.
    const [next] = await sql<{ xid: string }[]>`select pg_snapshot_xmax(pg_current_snapshot())::text as xid`;
    if (!(await isUnseen(sql, next!.xid))) return false;
    await sql.unsafe(`vacuum full ${TABLES}`);
    await sql`delete from to_write_anew where age(xmin) > age(${next!.xid}::text::xid8::xid)`;
    return true;
  } finally {
    await sql.end();
  }
}

/**
 * Whether nobody looks any more at what stood before a transaction's number: a rewrite keeps what a transaction under way may still see.
 *
 * Its own snapshot is as old as the oldest that writes, in whatever database of the cluster.
 */
async function isUnseen(sql: postgres.Sql, xid: string): Promise<boolean> {
  for (const since = Date.now(); ; await sleep(200)) {
    const [held] = await sql<{ is_seen: boolean }[]>`
      select pg_snapshot_xmin(pg_current_snapshot()) < ${xid}::text::xid8 or exists (select from pg_stat_activity
        where datname = current_database() and pid <> pg_backend_pid() and age(backend_xmin) > age(${xid}::text::xid8::xid)) as is_seen`;
    if (!held?.is_seen) return true;
    if (Date.now() - since > PATIENCE_MS) return false;
  }
}
