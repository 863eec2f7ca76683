import { chmod, mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { openCluster } from '../cluster/cluster.ts';
import { connect, migrateDatabase } from '../db/database.ts';

/** One cluster for all test files, with a migrated database that each copies. */
export default async function startCluster(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'early-lantern-test-'));
  // PostgreSQL's own account has to get in.
  await chmod(folder, 0o755);
  const dataDir = join(folder, 'data');
  const cluster = await openCluster(dataDir);
  const template = new URL(cluster.url);
  template.pathname = '/template_lantern';
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  await client.query('create database template_lantern');
  await client.end();
  const { db, close } = connect(template.href);
  await migrateDatabase(db, join(__dirname, '../../drizzle'));
  await close();
  process.env.TEST_CLUSTER_URL = cluster.url;
  process.env.TEST_CLUSTER_DATA = dataDir;
}
