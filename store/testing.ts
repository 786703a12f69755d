/** A database of its own for each test file, on the cluster the test command started. */
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import postgres from 'postgres';
import { connect, type Sql } from './connection.ts';
import { migrate, readMigrations } from './migrate.ts';

export interface TestDatabase {
  url: string;
  /** In the program's own role. */
  sql: Sql;
  /** As the owner of the tables. */
  owner: Sql;
  end: () => Promise<void>;
}

/** Address of a database without anything in it. */
export async function emptyDatabase(): Promise<string> {
  const base = process.env.TEST_DATABASE_URL;
  if (!base) throw new Error('Run the tests with ./test: they want a database.');
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = postgres(base, { max: 1, onnotice: () => {} });
  await admin.unsafe(`create database ${name}`);
  await admin.end();
  return base.replace(/\/[^/]*$/, `/${name}`);
}

export async function testDatabase(): Promise<TestDatabase> {
  const url = await emptyDatabase();
  await migrate(url, readMigrations(join('store', 'migrations')));
  const sql = connect(url, 2);
  const owner = postgres(url, { max: 1, onnotice: () => {} });
  return {
    url,
    sql,
    owner,
    end: async () => {
      await Promise.all([sql.end(), owner.end()]);
    },
  };
}
