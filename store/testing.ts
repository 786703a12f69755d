/** A database of its own for each test file, on the cluster the test command started. */
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import postgres from 'postgres';
import { v7 as uuidv7 } from 'uuid';
import type { Entry, EntryKind } from '../record/index.ts';
import type { SentEntry } from '../record/shape.ts';
import { connect, FIRST_SHOP, type Sql } from './database/connection.ts';
import { derivationVersion } from './database/derivation.ts';
import { migrate, readMigrations } from './database/migrate.ts';
import { ensureDerived } from './projections/index.ts';
import { ensureDemo } from './seed/demo.ts';

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
  // As a shop that was begun by this program.
  await owner`insert into derivation (shop_id, version) values (${FIRST_SHOP}, ${derivationVersion()})`;
  return {
    url,
    sql,
    owner,
    end: async () => {
      await Promise.all([sql.end(), owner.end()]);
    },
  };
}

/** A file's lines, as they are read from a disk. */
export const linesOf = (text: string) =>
  async function* () {
    yield* text.split('\n');
  };

/** With the demo of that day, and all that is derived from it. */
export async function demoDatabase(at: Date): Promise<TestDatabase> {
  const db = await testDatabase();
  await ensureDemo(db.sql, at);
  await ensureDerived(db.sql, FIRST_SHOP);
  await db.owner`analyze`;
  return db;
}

/** An entry as a device that did nothing else sends it at once. */
export function sentEntry(of: { visitId: string; runId: string }, kind: EntryKind, body: unknown, at: Date, more: Partial<Entry> = {}): SentEntry {
  const time = at.toISOString();
  const head = { id: uuidv7(), visitId: of.visitId, runId: of.runId, jointId: null, checkPointId: null, correctsId: null, deviceId: uuidv7() };
  return { ...head, seenAt: time, sentAt: time, recordedAt: null, kind, body, ...more } as unknown as SentEntry;
}

/** Tables that are derived from the record, and columns that only count changes. */
export const DERIVED_TABLES = [
  'premises',
  'place',
  'appliance',
  'run',
  'check_point',
  'visit',
  'visit_run',
  'follow_up',
  'shop_now',
  'rules_now',
  'shop_part',
  'stock_place',
  'stock_level',
  'derived_use',
  'derived_run',
  'derived_joint',
  'joint_alike',
  'ledger_line',
  'derived_duty',
] as const;

/** All rows of a shop's derived tables, in one order. */
export async function tablesOf(owner: Sql, shopId: string): Promise<Record<string, unknown[]>> {
  const tables: Record<string, unknown[]> = {};
  for (const table of DERIVED_TABLES) {
    // A book of words: what no joint is like any more stays in it.
    const named = table === 'joint_alike' ? 'and alike in (select j.alike from derived_joint j where j.shop_id = t.shop_id)' : '';
    const rows = await owner.unsafe(`select to_jsonb(t) as row from ${table} t where shop_id = $1 ${named} order by to_jsonb(t)::text`, [shopId]);
    tables[table] = rows.map((r) => r.row);
  }
  return tables;
}
