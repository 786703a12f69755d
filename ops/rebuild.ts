/** Makes the derived tables anew from what is recorded: `npm run rebuild`, on the database of a running `./start` or the one in DATABASE_URL. */
import { connect } from '../store/database/index.ts';
import { rebuild } from '../store/projections/index.ts';
import { shopsHere } from '../store/shops.ts';
import { defaultDataFolder, runningCluster, SetupError } from './cluster.ts';

const url = process.env.DATABASE_URL ?? runningCluster(process.argv[2] ?? defaultDataFolder(process.cwd()));
if (!url) throw new SetupError('No database runs here. Start with ./start, or set DATABASE_URL.');
const sql = connect(url, 1);
try {
  let runs = 0;
  for (const { id } of await shopsHere(sql)) runs += await rebuild(sql, id);
  console.log(`${runs} runs derived anew.`);
} finally {
  await sql.end();
}
