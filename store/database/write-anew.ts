/** Writes the tables anew from which a contact was erased: until then their files hold what no query finds. */
import postgres from 'postgres';

/** A day less what a rewrite and an hourly look may take, hours. */
const WITHIN_HOURS = 22;

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
    const [begun] = await sql<{ at: Date }[]>`select now() as at`;
    await sql.unsafe(`vacuum full ${TABLES}`);
    await sql`delete from to_write_anew where since <= ${begun!.at}`;
    return true;
  } finally {
    await sql.end();
  }
}
