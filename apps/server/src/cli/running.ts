import { runningDatabase } from '../cluster/cluster.ts';
import { connect, connectToWorkshops, type Database } from '../db/database.ts';
import { CannotStart } from './cannot-start.ts';
import { dataFolder } from './places.ts';
import { addressOf, runningServer } from './server-lock.ts';

interface Open {
  /** Rows of the workshop that is asked for. */
  db: Database;
  /** All of the database. */
  installation: Database;
}

/** Does something to the database of a running product, beside it. @throws CannotStart where none runs */
export async function onRunning(work: (open: Open) => Promise<void>): Promise<void> {
  const url = process.env.DATABASE_URL ?? (await runningDatabase(dataFolder()));
  if (!url) throw new CannotStart('Early Lantern does not run. Start it first: ./lantern start');
  const [all, rows] = [connect(url), connectToWorkshops(url)];
  try {
    await work({ db: rows.db, installation: all.db });
  } finally {
    await Promise.all([all.close(), rows.close()]);
  }
}

/** Prints where somebody sets their password. */
export async function sayLink(what: string, token: string): Promise<void> {
  console.log(`${what}: open /join#${token} at the address of Early Lantern`);
  const running = await runningServer(dataFolder());
  if (running) console.log(`On this computer: ${addressOf(running)}/join#${token}`);
}
