import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import postgres from 'postgres';

export interface Migration {
  number: number;
  name: string;
  sql: string;
}

/** The database was made by a newer program than this one. */
export class NewerDatabaseError extends Error {
  override readonly name = 'NewerDatabaseError';
  constructor(found: number, known: number) {
    super(
      `The database is at migration ${found}, this program knows up to ${known}. Start the newer program, or point DATABASE_URL at another database.`,
    );
  }
}

const FILE = /^(\d{4})_([a-z0-9_]+)\.sql$/;

/** Any fixed number: whoever holds this lock is migrating. */
const LOCK = 7241996;

export function readMigrations(folder: string): Migration[] {
  return readdirSync(folder)
    .sort()
    .flatMap((file) => {
      const found = FILE.exec(file);
      return found ? [{ number: Number(found[1]), name: found[2] as string, sql: readFileSync(join(folder, file), 'utf8') }] : [];
    });
}

/**
 * Brings a database up to date, forward only, all in one transaction under an advisory lock.
 *
 * @returns the numbers that were applied
 * @throws NewerDatabaseError when the database knows a migration this program does not
 */
export async function migrate(databaseUrl: string, migrations: Migration[]): Promise<number[]> {
  const sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
  try {
    return await sql.begin(async (tx) => {
      await tx`select pg_advisory_xact_lock(${LOCK})`;
      await tx`create table if not exists migration (number int primary key, name text not null, applied_at timestamptz not null default now())`;
      const rows = await tx<{ number: number }[]>`select number from migration`;
      const applied = new Set(rows.map((r) => r.number));
      const known = Math.max(0, ...migrations.map((m) => m.number));
      const newest = Math.max(0, ...applied);
      if (newest > known) throw new NewerDatabaseError(newest, known);
      const fresh = migrations.filter((m) => !applied.has(m.number));
      for (const m of fresh) {
        await tx.unsafe(m.sql);
        await tx`insert into migration (number, name) values (${m.number}, ${m.name})`;
      }
      return fresh.map((m) => m.number);
    });
  } finally {
    await sql.end();
  }
}
