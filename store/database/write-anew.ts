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
    if (!(await isUnseen(sql))) return false;
    const [begun] = await sql<{ at: Date }[]>`select now() as at`;
    await sql.unsafe(`vacuum full ${TABLES}`);
    await sql`delete from to_write_anew where since <= ${begun!.at}`;
    return true;
  } finally {
    await sql.end();
  }
}

/** Whether nobody looks any more at what stood before: a rewrite keeps what a transaction under way may still see. */
async function isUnseen(sql: postgres.Sql): Promise<boolean> {
  for (const since = Date.now(); ; await sleep(200)) {
    const [held] = await sql<{ is_seen: boolean }[]>`
      select exists (select from pg_stat_activity
        where datname = current_database() and pid <> pg_backend_pid() and backend_xmin is not null) as is_seen`;
    if (!held?.is_seen) return true;
    if (Date.now() - since > PATIENCE_MS) return false;
  }
}
