import { spawn } from 'node:child_process';
import { createReadStream, existsSync } from 'node:fs';
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { count, isNull } from 'drizzle-orm';
import { openCluster, stopCluster } from '../cluster/cluster.ts';
import { programPath } from '../cluster/postgres-user.ts';
import { connect, migrateDatabase } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import { findSettings } from '../workshop/store.ts';
import { checksumOf, connectionEnv, exitOf, readNote } from './dump.ts';

/** Where a cluster is restored beside the one in use, and what says that it is whole. */
const beside = (dataDir: string) => join(dataDir, 'restoring');
const ready = (dataDir: string) => join(beside(dataDir), 'ready');

/**
 * Restores a backup into a new cluster beside the one in use, checks it, and puts it in that one's place; what was in use is kept
 * under another name. Nothing runs in the data directory meanwhile.
 * @returns how many jobs there are now, and where the former database lies
 * @throws Error where the file is damaged, or is no backup of this product: then nothing was changed
 */
export async function restoreBackup(
  path: string,
  dataDir: string,
  migrationsFolder: string,
): Promise<{ jobs: number; formerly: string | undefined }> {
  if (!(await stat(path).catch(() => undefined))?.isFile()) throw new Error(`There is no file ${path}.`);
  const note = await readNote(path);
  if (!note) console.log('No checksum lies beside it: whether it is whole is seen while it is read.');
  else if ((await checksumOf(path)) !== note.sha256)
    throw new Error(
      `${path} is damaged: it is not what was written then. Nothing was changed; take another backup.`,
    );
  await rm(beside(dataDir), { recursive: true, force: true });
  const cluster = await openCluster(beside(dataDir));
  let found: number;
  try {
    await load(path, cluster.url);
    found = await checked(cluster.url, migrationsFolder);
    if (note && note.jobs !== found)
      throw new Error(
        `The backup has ${note.jobs} jobs, but ${found} were read from it. Nothing was changed.`,
      );
  } catch (error) {
    await cluster.stop();
    await rm(beside(dataDir), { recursive: true, force: true });
    throw error;
  }
  await cluster.stop();
  await stopCluster(dataDir);
  const formerly = existsSync(join(dataDir, 'postgres'))
    ? `before-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}Z`
    : undefined;
  await writeFile(ready(dataDir), formerly ?? '');
  await finishRestore(dataDir);
  return { jobs: found, formerly: formerly && join(dataDir, formerly) };
}

/**
 * Puts a restored cluster that is whole in its place, also where that was broken off half-way; one that is not whole is deleted.
 * Every step looks at what is already done.
 */
export async function finishRestore(dataDir: string): Promise<void> {
  const from = beside(dataDir);
  const formerly = await readFile(ready(dataDir), 'utf8').catch(() => undefined);
  if (formerly !== undefined) {
    for (const name of ['postgres', 'cluster.json']) {
      if (!existsSync(join(from, name))) continue;
      if (formerly && existsSync(join(dataDir, name))) {
        await mkdir(join(dataDir, formerly), { recursive: true, mode: 0o755 });
        await rename(join(dataDir, name), join(dataDir, formerly, name));
      }
      await rename(join(from, name), join(dataDir, name));
    }
  }
  await rm(from, { recursive: true, force: true });
}

async function load(path: string, url: string): Promise<void> {
  const { PGDATABASE, ...env } = connectionEnv(url);
  const args = [
    '--no-owner',
    '--no-privileges',
    '--exit-on-error',
    '--single-transaction',
    `--dbname=${PGDATABASE}`,
  ];
  const program = spawn(programPath('pg_restore'), args, { env, stdio: ['pipe', 'ignore', 'pipe'] });
  const ended = exitOf(program, 'pg_restore');
  // A program that gives up closes its ear: why, it says at its end.
  await pipeline(createReadStream(path), program.stdin).catch(() => undefined);
  await ended.catch((error: Error) => {
    throw new Error(`${path} cannot be restored. ${error.message}. Nothing was changed.`);
  });
}

/** Brings what was restored up to date, and sees that it is a workshop. @returns its jobs */
async function checked(url: string, migrationsFolder: string): Promise<number> {
  const { db, close } = connect(url);
  try {
    await migrateDatabase(db, migrationsFolder);
    if (!(await findSettings(db))) throw new Error('It holds no workshop. Nothing was changed.');
    const [row] = await db.select({ found: count() }).from(jobs).where(isNull(jobs.deletedAt));
    return row?.found ?? 0;
  } finally {
    await close();
  }
}
