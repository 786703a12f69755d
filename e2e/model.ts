/** Makes a cluster with the databases that others are copied from, at rest, in the folder named: each worker's is a copy, sooner than one made anew. */
import { join } from 'node:path';
import { startCluster } from '../ops/cluster.ts';
import { now } from '../store/database/clock.ts';
import { connect } from '../store/database/connection.ts';
import { migrate, readMigrations } from '../store/database/migrate.ts';
import { ensureDemo } from '../store/seed/demo.ts';
import { copyOf, MODELS } from './copy.ts';

async function furnish(url: string, hasDemo: boolean): Promise<void> {
  await migrate(url, readMigrations(join('store', 'migrations')));
  if (!hasDemo) return;
  const sql = connect(url, 1);
  await ensureDemo(sql, now());
  await sql.end();
}

const cluster = await startCluster(process.argv[2] as string, { quick: true });
await furnish(await copyOf(cluster.url, 'template0', MODELS.empty), false);
await furnish(await copyOf(cluster.url, MODELS.empty, MODELS.demo), true);
// In place of the one that the cluster was made with, so that it is found there when the cluster is started again.
await copyOf(cluster.url, MODELS.demo, cluster.url.replace(/^.*\//, ''));
cluster.stop();
