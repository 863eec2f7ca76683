import { and, eq, gt, lt, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { accounts, phones, sessions } from '../db/schema.ts';
import { newToken, tokenHash } from './secrets.ts';
import type { Principal } from './who.ts';

const HOUR_MS = 3_600_000;
/** Signed in with a password: so long after the last visit. With a PIN on a shared phone: a working day, whatever happens. */
const LASTS_MS = { password: 30 * 24 * HOUR_MS, pin: 14 * HOUR_MS };
/** Put off again no more often than this: not every request is to write. */
const SEEN_EVERY_MS = 10 * 60_000;

/** @returns the token that goes into the cookie, and when it ends */
export async function beginSession(
  db: Queries,
  accountId: string,
  phoneId: string | null,
): Promise<{ token: string; endsAt: Date }> {
  const token = newToken();
  const endsAt = new Date(Date.now() + LASTS_MS[phoneId ? 'pin' : 'password']);
  await db.delete(sessions).where(lt(sessions.endsAt, sql`now()`));
  await db.insert(sessions).values({ tokenHash: tokenHash(token), accountId, endsAt, phoneId });
  return { token, endsAt };
}

/** Whose session a cookie's token is; undefined where it has ended. */
export async function principalOf(db: Queries, token: string): Promise<Principal | undefined> {
  const hash = tokenHash(token);
  const [row] = await db
    .select({ session: sessions, account: accounts.data, deletedAt: accounts.deletedAt })
    .from(sessions)
    .innerJoin(accounts, eq(accounts.id, sessions.accountId))
    .where(and(eq(sessions.tokenHash, hash), gt(sessions.endsAt, sql`now()`)));
  if (!row || row.deletedAt) return undefined;
  const { phoneId, seenAt } = row.session;
  if (Date.now() - seenAt.getTime() > SEEN_EVERY_MS)
    await db
      .update(sessions)
      .set({
        seenAt: new Date(),
        ...(phoneId ? {} : { endsAt: new Date(Date.now() + LASTS_MS.password) }),
      })
      .where(eq(sessions.tokenHash, hash));
  return { account: row.account, sessionHash: hash, phoneId };
}

export async function endSession(db: Queries, hash: string): Promise<void> {
  await db.delete(sessions).where(eq(sessions.tokenHash, hash));
}

/** The shared phone of a cookie's token; undefined where it is none, or no longer. */
export async function phoneOf(db: Queries, token: string | undefined) {
  if (!token) return undefined;
  const [row] = await db
    .select()
    .from(phones)
    .where(eq(phones.tokenHash, tokenHash(token)));
  return row;
}
