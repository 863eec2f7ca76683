import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { makeBackup } from '../backup/dump.ts';
import { finishRestore, restoreBackup } from '../backup/restore.ts';
import { openCluster, runningDatabase } from '../cluster/cluster.ts';
import { CannotStart } from './cannot-start.ts';
import { backupFolder, dataFolder, migrationsFolder } from './places.ts';
import { releaseLock, runningServer, takeLock } from './server-lock.ts';

/** Backs everything up, whether the product runs or not. @param to another folder than the usual one */
export async function backUp(to: string | undefined): Promise<void> {
  const folder = to ? resolve(to) : backupFolder();
  const dataDir = dataFolder();
  const running = process.env.DATABASE_URL ?? (await runningDatabase(dataDir));
  const write = async (url: string) => {
    const { file, bytes, jobs } = await makeBackup(url, folder, new Date());
    console.log(`Backed up: ${jobs} jobs, ${Math.ceil(bytes / 1024)} kB, in ${resolve(folder, file)}`);
  };
  return running ? write(running) : alone(dataDir, () => withCluster(dataDir, write));
}

async function withCluster(dataDir: string, use: (url: string) => Promise<void>): Promise<void> {
  await finishRestore(dataDir);
  if (!existsSync(join(dataDir, 'postgres')))
    throw new CannotStart(`There is nothing to back up yet in ${dataDir}.`);
  const cluster = await openCluster(dataDir);
  await use(cluster.url).finally(cluster.stop);
}

/** Does something to the data directory while nobody else uses it. */
async function alone(dataDir: string, act: () => Promise<void>): Promise<void> {
  if ((await runningServer(dataDir)) || !(await takeLock(dataDir, 0)))
    throw new CannotStart('Early Lantern is running. Stop it first: ./lantern stop');
  await act().finally(() => releaseLock(dataDir));
}

/** Puts a backup in the place of what there is now; that is kept under another name. */
export async function restore(path: string | undefined): Promise<void> {
  if (!path) throw new CannotStart('Say which backup: ./lantern restore FILE');
  if (process.env.DATABASE_URL)
    throw new CannotStart('With DATABASE_URL the database is yours: restore into it with pg_restore.');
  const dataDir = dataFolder();
  await alone(dataDir, async () => {
    const { jobs, formerly } = await restoreBackup(resolve(path), dataDir, migrationsFolder).catch(
      (error: Error) => {
        throw new CannotStart(error.message);
      },
    );
    console.log(`Restored: ${jobs} jobs.${formerly ? ` What was here before lies in ${formerly}` : ''}`);
    console.log('Start it again: ./lantern start');
  });
}
