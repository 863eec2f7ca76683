import { runningDatabase } from '../cluster/cluster.ts';
import { connect } from '../db/database.ts';
import { invite, owners } from '../people/accounts.ts';
import { CannotStart } from './cannot-start.ts';
import { dataFolder } from './places.ts';
import { addressOf, runningServer } from './server-lock.ts';

/** Whoever holds the machine is never locked out: prints a link by which the owner sets a new password. */
export async function linkForOwner(): Promise<void> {
  const dataDir = dataFolder();
  const url = process.env.DATABASE_URL ?? (await runningDatabase(dataDir));
  if (!url) throw new CannotStart('Early Lantern does not run. Start it first: ./lantern start');
  const { db, close } = connect(url);
  try {
    const [owner] = await owners(db);
    if (!owner) {
      console.log('Nobody has a password yet: open Early Lantern on this computer, then Workshop, Access.');
      return;
    }
    const { token } = await invite(db, owner.id);
    const running = await runningServer(dataDir);
    console.log(`A new password for ${owner.name}: open /join#${token} at the address of Early Lantern`);
    if (running) console.log(`On this computer: ${addressOf(running)}/join#${token}`);
  } finally {
    await close();
  }
}
