import { execFile, execFileSync, spawn } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);
const INSTALLED = '/usr/lib/postgresql';

/** The account PostgreSQL runs under: it refuses root, so root lends it Debian's `postgres`. */
export interface PostgresUser {
  uid: number;
  gid: number;
}

export function postgresUser(): PostgresUser {
  const uid = process.getuid?.() ?? -1;
  if (uid !== 0) return { uid, gid: process.getgid?.() ?? -1 };
  const id = (flag: string) => Number(execFileSync('id', [flag, 'postgres']).toString().trim());
  return { uid: id('-u'), gid: id('-g') };
}

/** Path of one of PostgreSQL's programs, from the newest version Debian has installed. */
export function programPath(name: string): string {
  const versions = existsSync(INSTALLED) ? readdirSync(INSTALLED).map(Number).filter(Boolean) : [];
  const newest = versions
    .sort((a, b) => b - a)
    .find((version) => existsSync(join(INSTALLED, String(version), 'bin', name)));
  if (!newest)
    throw new Error(
      `PostgreSQL's "${name}" is not under ${INSTALLED}. Install it: apt-get install postgresql-15`,
    );
  return join(INSTALLED, String(newest), 'bin', name);
}

/** Runs one of PostgreSQL's programs under its account, with something to read. @throws Error where it fails */
export async function tellPostgres(name: string, args: string[], cwd: string, text: string): Promise<void> {
  const { uid, gid } = postgresUser();
  const isRoot = process.getuid?.() === 0;
  const program = spawn(programPath(name), args, {
    cwd,
    env: { PATH: '/usr/bin:/bin', LANG: 'C.UTF-8', LC_ALL: 'C.UTF-8' },
    stdio: ['pipe', 'ignore', 'ignore'],
    ...(isRoot ? { uid, gid } : {}),
  });
  const ended = new Promise<number | null>((resolve, reject) => {
    program.once('error', reject);
    program.once('close', resolve);
  });
  program.stdin.on('error', () => undefined);
  program.stdin.end(text);
  const code = await ended;
  if (code !== 0) throw new Error(`${name} ended with ${code}.`);
}

/** Runs one of PostgreSQL's programs under its account, in a folder that account can enter. */
export async function runPostgres(name: string, args: string[], cwd: string): Promise<string> {
  const { uid, gid } = postgresUser();
  const isRoot = process.getuid?.() === 0;
  const { stdout } = await run(programPath(name), args, {
    cwd,
    env: { PATH: '/usr/bin:/bin', LANG: 'C.UTF-8', LC_ALL: 'C.UTF-8' },
    ...(isRoot ? { uid, gid } : {}),
  });
  return stdout;
}
