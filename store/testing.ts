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

const base = (): string => {
  if (!process.env.TEST_DATABASE_URL) throw new Error('Run the tests with ./test: they want a database.');
  return process.env.TEST_DATABASE_URL;
};
const addressOf = (name: string): string => base().replace(/\/[^/]*$/, `/${name}`);

async function asOwner<T>(url: string, work: (owner: postgres.Sql) => Promise<T>): Promise<T> {
  const owner = postgres(url, { max: 1, onnotice: () => {} });
  try {
    return await work(owner);
  } finally {
    await owner.end();
  }
}

/** Address of a database of its own: a copy of a model, or with nothing in it. */
async function copyOf(model = 'template1'): Promise<string> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  await asOwner(base(), (owner) => owner.unsafe(`create database ${name} template ${model}`));
  return addressOf(name);
}

/** Address of a database without anything in it. */
export const emptyDatabase = (): Promise<string> => copyOf();

/** A database that others are copied from, filled by whoever wants it first: test files run beside each other. */
async function model(name: string, fill: () => Promise<string>): Promise<string> {
  return asOwner(base(), async (owner) => {
    await owner`select pg_advisory_lock(hashtext(${name}))`;
    const [known] = await owner`select from pg_database where datname = ${name}`;
    if (known) return name;
    const filled = (await fill()).replace(/^.*\//, '');
    await owner.unsafe(`alter database ${filled} rename to ${name}`);
    return name;
  });
}

const migrated = (): Promise<string> =>
  model('model_migrated', async () => {
    const url = await emptyDatabase();
    await migrate(url, readMigrations(join('store', 'migrations')));
    // As a shop that was begun by this program.
    await asOwner(url, (owner) => owner`insert into derivation (shop_id, version) values (${FIRST_SHOP}, ${derivationVersion()})`);
    return url;
  });

const opened = (url: string): TestDatabase => {
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
};

export const testDatabase = async (): Promise<TestDatabase> => opened(await copyOf(await migrated()));

/** A file's lines, as they are read from a disk. */
export const linesOf = (text: string) =>
  async function* () {
    yield* text.split('\n');
  };

/** With the demo of that day, and all that is derived from it. */
export async function demoDatabase(at: Date): Promise<TestDatabase> {
  const demo = await model(`model_demo_${at.getTime()}`, async () => {
    const db = await testDatabase();
    await ensureDemo(db.sql, at);
    await ensureDerived(db.sql, FIRST_SHOP);
    await db.owner`analyze`;
    await db.end();
    return db.url;
  });
  return opened(await copyOf(demo));
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
