import postgres from 'postgres';

export type Sql = postgres.Sql;
export type Tx = postgres.TransactionSql;

export { FIRST_SHOP } from '../../record/index.ts';

/** A pool in the program's own role, which owns no table. Days stay text: a local date has no instant. */
export function connect(databaseUrl: string, max = 8): Sql {
  return postgres(databaseUrl, {
    max,
    idle_timeout: 30,
    connect_timeout: 5,
    // Seconds between tries: one that asks is told soon, and a database that is back is found soon.
    backoff: (tries: number) => Math.min(0.5, 0.02 * 2 ** tries),
    connection: { role: 'brass_nut_app', application_name: 'brass-nut' },
    onnotice: () => {},
    types: {
      date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x },
      time: { to: 1083, from: [1083], serialize: (x: string) => x, parse: (x: string) => x.slice(0, 5) },
    },
  });
}

/** No answer from the database: to be tried again, nothing is lost. */
export class DatabaseLostError extends Error {
  override readonly name = 'DatabaseLostError';
  constructor(cause: unknown) {
    super('The database does not answer. What you enter is kept in this browser and sent when it is back.', { cause });
  }
}

const LOST = /^(ECONNREFUSED|ECONNRESET|ENOENT|EPIPE|ETIMEDOUT|CONNECTION_\w+|CONNECT_TIMEOUT|08\w{3}|57P0\d|53300)$/;

export function isDatabaseLost(error: unknown): boolean {
  if (error instanceof DatabaseLostError) return true;
  const code = (error as { code?: unknown } | null)?.code;
  return typeof code === 'string' && LOST.test(code);
}
