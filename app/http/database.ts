import { connect, type Sql } from '../../store/database/index.ts';

let pool: Sql | null = null;

/** The server's one pool; it holds connections, no state. */
export function database(): Sql {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set. Start with ./start, or set it to a PostgreSQL address.');
  pool ??= connect(url);
  return pool;
}
