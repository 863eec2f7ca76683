import { eq, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { accounts } from '../db/schema.ts';
import { ProblemError } from '../http/problem.ts';
import type { StoredAccount } from './accounts.ts';
import { isSecret } from './secrets.ts';

/** So many wrong tries are let pass; each one after that doubles the wait. */
const FREE_TRIES = 5;
const FIRST_WAIT_S = 30;
const LONGEST_WAIT_S = 15 * 60;

/** How long somebody waits after so many wrong tries, s. */
export function waitAfter(wrongTries: number): number {
  if (wrongTries < FREE_TRIES) return 0;
  return Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** (wrongTries - FREE_TRIES));
}

/** Whoever guesses has to wait, and is told how long. */
function mustWait(seconds: number): ProblemError {
  const wait = seconds > 60 ? `${Math.ceil(seconds / 60)} min` : `${seconds} s`;
  return new ProblemError('too-many-tries', `Too many wrong tries. Try again in ${wait}.`, {}, seconds);
}

/**
 * Compares what was typed with what is stored of somebody, and counts wrong tries in the database, whichever server they come to.
 * @returns whether it is right; false also where there is no such account, after the same time
 * @throws ProblemError `too-many-tries` while nothing is taken
 */
export async function trySecret(
  db: Queries,
  account: StoredAccount | undefined,
  stored: string | null,
  typed: string,
): Promise<boolean> {
  const waitMs = (account?.lockedUntil?.getTime() ?? 0) - Date.now();
  if (waitMs > 0) throw mustWait(Math.ceil(waitMs / 1000));
  const isRight = await isSecret(typed, stored);
  if (!account) return false;
  if (isRight) {
    if (account.wrongTries > 0)
      await db.update(accounts).set({ wrongTries: 0, lockedUntil: null }).where(eq(accounts.id, account.id));
    return true;
  }
  const [counted] = await db
    .update(accounts)
    .set({ wrongTries: sql`${accounts.wrongTries} + 1` })
    .where(eq(accounts.id, account.id))
    .returning({ wrongTries: accounts.wrongTries });
  const seconds = waitAfter(counted?.wrongTries ?? 0);
  if (seconds > 0)
    await db
      .update(accounts)
      .set({ lockedUntil: new Date(Date.now() + seconds * 1000) })
      .where(eq(accounts.id, account.id));
  return false;
}
