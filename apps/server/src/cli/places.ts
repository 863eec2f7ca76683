import { homedir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Folders of the checkout, seen from the built program in apps/server/dist. */
const fromDist = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export const migrationsFolder = fromDist('../drizzle');
export const webRoot = fromDist('../../web/dist');
export const demoFolder = fromDist('../../../demo/jobs');

/** Where backups are written: beside the database, or where the owner says, best on another disk. */
export const backupFolder = (): string => process.env.EARLY_LANTERN_BACKUPS ?? join(dataFolder(), 'backups');

/** Where the server's log lies. */
export const logFolder = (): string => join(dataFolder(), 'logs');

/** Where the database lives: outside the source tree, reachable by the account PostgreSQL runs under. */
export function dataFolder(): string {
  const own = process.env.EARLY_LANTERN_DATA;
  if (own) return own;
  if (process.getuid?.() === 0) return '/var/lib/early-lantern';
  return join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'early-lantern');
}
