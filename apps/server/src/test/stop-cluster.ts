import { rm } from 'node:fs/promises';
import { dirname } from 'node:path';
import { stopCluster } from '../cluster/cluster.ts';

export default async function endCluster(): Promise<void> {
  const dataDir = process.env.TEST_CLUSTER_DATA as string;
  await stopCluster(dataDir, 'immediate');
  await rm(dirname(dataDir), { recursive: true, force: true });
}
