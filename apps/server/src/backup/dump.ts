import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Backup } from '@early-lantern/contract';
import pg from 'pg';
import { programPath } from '../cluster/postgres-user.ts';
import { outdated } from './keep.ts';

const ENDING = '.dump';
/** Beside each backup: what it is of, and its checksum. */
const noteOf = (path: string) => `${path}.json`;

/**
 * Writes the database at `url` into the folder while it is in use: as it was at one moment, in PostgreSQL's own format. A backup
 * is there only when it is whole. Those that are too old to be kept are deleted.
 */
export async function makeBackup(url: string, folder: string, now: Date): Promise<Backup> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = `lantern-${now.toISOString().slice(0, 19).replaceAll(':', '-')}Z${ENDING}`;
  const path = join(folder, file);
  const part = `${path}.part`;
  try {
    const jobs = await countJobs(url);
    const { bytes, sha256 } = await dumpTo(url, part);
    const backup: Backup = { file, at: now.toISOString(), bytes, sha256, jobs };
    await writeFile(noteOf(path), `${JSON.stringify(backup)}\n`, { mode: 0o600 });
    await rename(part, path);
    for (const old of outdated(await listBackups(folder))) await deleteBackup(folder, old);
    return backup;
  } finally {
    await rm(part, { force: true });
  }
}

/** The backups in a folder that are whole, newest first. */
export async function listBackups(folder: string): Promise<Backup[]> {
  const names = await readdir(folder).catch(() => []);
  const found = await Promise.all(
    names.filter((name) => name.endsWith(ENDING)).map((name) => readNote(join(folder, name))),
  );
  return found
    .filter((one) => one !== undefined)
    .sort((one, other) => Date.parse(other.at) - Date.parse(one.at));
}

/** What stands beside a backup; undefined where there is none, or it cannot be read. */
export async function readNote(path: string): Promise<Backup | undefined> {
  const text = await readFile(noteOf(path), 'utf8').catch(() => '');
  try {
    return Backup.parse(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/** SHA-256 of a file, in hexadecimal. */
export async function checksumOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}

async function deleteBackup(folder: string, { file }: Backup): Promise<void> {
  await rm(join(folder, file), { force: true });
  await rm(noteOf(join(folder, file)), { force: true });
}

async function countJobs(url: string): Promise<number> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rows } = await client.query<{ count: string }>(
      'select count(*) from jobs where deleted_at is null',
    );
    return Number(rows[0]?.count ?? 0);
  } finally {
    await client.end();
  }
}

/** What is worked out again; and who is signed in: whoever was signed out since must not come back with a restore. */
const LEFT_OUT = ['work_items', 'work_hands', 'sessions', 'graphile_worker._private_jobs'];

/** Runs `pg_dump` into a file that is on the disk when this ends. */
async function dumpTo(url: string, path: string): Promise<Pick<Backup, 'bytes' | 'sha256'>> {
  const hash = createHash('sha256');
  let bytes = 0;
  const measured = new Transform({
    transform(chunk: Buffer, _, done) {
      hash.update(chunk);
      bytes += chunk.length;
      done(null, chunk);
    },
  });
  const program = spawn(
    programPath('pg_dump'),
    [
      '--format=custom',
      '--no-owner',
      '--no-privileges',
      ...LEFT_OUT.map((table) => `--exclude-table-data=${table}`),
    ],
    {
      env: connectionEnv(url),
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  const ended = exitOf(program, 'pg_dump');
  await pipeline(program.stdout, measured, createWriteStream(path, { mode: 0o600, flush: true }));
  await ended;
  return { bytes, sha256: hash.digest('hex') };
}

/** Where a database is, as PostgreSQL's programs are told: a password does not belong on a command line. */
export function connectionEnv(url: string): NodeJS.ProcessEnv {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    PATH: '/usr/bin:/bin',
    LC_ALL: 'C.UTF-8',
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
}

/** Waits for a program to end. @throws Error with the last line that it complained with */
export function exitOf(program: ReturnType<typeof spawn>, name: string): Promise<void> {
  let complaint = '';
  program.stderr?.on('data', (chunk) => {
    complaint += chunk;
  });
  const ended = new Promise<void>((resolve, reject) => {
    program.once('error', reject);
    program.once('close', (code) =>
      code === 0
        ? resolve()
        : reject(new Error(`${name} failed: ${complaint.trim().split('\n').at(-1) || `exit code ${code}`}`)),
    );
  });
  // Whoever waits for its output first hears of this afterwards.
  ended.catch(() => undefined);
  return ended;
}
