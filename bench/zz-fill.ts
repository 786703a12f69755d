import { fillShop } from '../bench/shop.ts';
import { runningCluster } from '../ops/cluster.ts';
import { now } from '../store/clock.ts';
import { connect, THE_SHOP } from '../store/connection.ts';
import { rebuild } from '../store/projections/index.ts';
import { ensureDemo } from '../store/seed/demo.ts';

const sql = connect(runningCluster('/var/tmp/bn-big')!, 2);
if (process.argv[2] === 'fill') {
  await ensureDemo(sql, now());
  const t = Date.now();
  console.log(await fillShop(sql, { premises: 5000, visits: 60000, entries: 1e6 }, (w) => console.log(w, Date.now() - t)), Date.now() - t);
}
const r = Date.now();
console.log(await rebuild(sql, THE_SHOP), 'rebuilt', Date.now() - r);
await sql.end();
