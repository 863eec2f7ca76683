import type { Account, AccountRow, Handed } from '@early-lantern/contract';
import { and, asc, count, eq, gt, isNotNull, isNull, max, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { toRow, touched } from '../db/rows.ts';
import { accounts, sessions } from '../db/schema.ts';
import { notFound, ProblemError, stale, taken } from '../http/problem.ts';
import { requireHardToGuess } from './guessable.ts';
import { hashSecret, newToken, tokenHash } from './secrets.ts';

export type StoredAccount = typeof accounts.$inferSelect;

const live = isNull(accounts.deletedAt);
export const FIRST_OWNER = 'owner';
const DAY_MS = 86_400_000;
/** An invitation that nobody uses ends after so long. */
const INVITED_DAYS = 7;

/** Whether anybody has to sign in: nobody does, at this very machine, before somebody can. */
export async function somebodyHasPassword(db: Queries): Promise<boolean> {
  const can = and(live, isNotNull(accounts.passwordHash));
  return (await db.select({ id: accounts.id }).from(accounts).where(can).limit(1)).length > 0;
}

/** The account of whoever sets the first password. */
export async function putFirstOwner(db: Queries, data: Account): Promise<void> {
  await db
    .insert(accounts)
    .values({ id: data.id, data })
    .onConflictDoUpdate({ target: [accounts.workshopId, accounts.id], set: { data } });
}

/** The first owner, who has no password yet, by an invitation: for whoever started the product and reads what it prints. */
export async function inviteFirstOwner(db: Queries, name: string): Promise<Handed> {
  const data: Account = { id: FIRST_OWNER, name, role: 'owner' };
  await db.insert(accounts).values({ id: data.id, data }).onConflictDoNothing();
  return invite(db, data.id);
}

/** Everybody who may come in, with where they are signed in. */
export async function listAccounts(db: Queries): Promise<AccountRow[]> {
  const rows = await db
    .select({ account: accounts, signedIn: count(sessions.tokenHash), lastSeenAt: max(sessions.seenAt) })
    .from(accounts)
    .leftJoin(sessions, and(eq(sessions.accountId, accounts.id), gt(sessions.endsAt, sql`now()`)))
    .where(live)
    .groupBy(accounts.workshopId, accounts.id)
    .orderBy(asc(sql`${accounts.data}->>'name'`));
  return rows.map(({ account, signedIn, lastSeenAt }) => ({
    ...asRow(account),
    signedIn,
    lastSeenAt: lastSeenAt?.toISOString() ?? null,
  }));
}

function asRow(account: StoredAccount): AccountRow {
  const isInvited = account.invitedUntil && account.invitedUntil.getTime() > Date.now();
  return {
    ...toRow(account),
    hasPassword: account.passwordHash !== null,
    hasPin: account.pinHash !== null,
    invitedUntil: isInvited ? (account.invitedUntil as Date).toISOString() : null,
    lastSeenAt: null,
    signedIn: 0,
  };
}

export async function getAccount(db: Queries, id: string): Promise<StoredAccount> {
  const [row] = await db
    .select()
    .from(accounts)
    .where(and(eq(accounts.id, id), live));
  if (!row) throw notFound(`account "${id}"`);
  return row;
}

/** By the name that is typed; upper and lower case are the same. */
export async function accountNamed(db: Queries, name: string): Promise<StoredAccount | undefined> {
  const isNamed = sql`lower(${accounts.data}->>'name') = lower(${name.trim()})`;
  const [row] = await db.select().from(accounts).where(and(isNamed, live));
  return row;
}

/** Those who can sign in with a PIN. */
export async function accountsWithPin(db: Queries): Promise<Account[]> {
  const rows = await db
    .select({ data: accounts.data })
    .from(accounts)
    .where(and(live, sql`${accounts.pinHash} is not null`))
    .orderBy(asc(sql`${accounts.data}->>'name'`));
  return rows.map(({ data }) => data);
}

/** @throws ProblemError where somebody has the id or the name */
export async function addAccount(db: Queries, data: Account): Promise<AccountRow> {
  if (await accountNamed(db, data.name)) throw taken(`Somebody called "${data.name}"`);
  const [row] = await db.insert(accounts).values({ id: data.id, data }).onConflictDoNothing().returning();
  if (!row) throw taken(`The account "${data.id}"`);
  return asRow(row);
}

export async function updateAccount(
  db: Queries,
  id: string,
  revision: number,
  data: Account,
): Promise<AccountRow> {
  const before = await getAccount(db, id);
  if (before.revision !== revision) throw stale(`"${before.data.name}"`, asRow(before));
  const named = await accountNamed(db, data.name);
  if (named && named.id !== id) throw taken(`Somebody called "${data.name}"`);
  const [row] = await db
    .update(accounts)
    .set({ data, ...touched })
    .where(eq(accounts.id, id))
    .returning();
  await requireOwner(db);
  // What they may do now holds from here on, on every device.
  if (before.data.role !== data.role) await endSessions(db, id);
  return asRow(row as StoredAccount);
}

/** Lets somebody in no more. Their name stays with what they have changed. */
export async function removeAccount(db: Queries, id: string, revision: number): Promise<AccountRow> {
  const before = await getAccount(db, id);
  if (before.revision !== revision) throw stale(`"${before.data.name}"`, asRow(before));
  await db
    .update(accounts)
    .set({ deletedAt: new Date(), passwordHash: null, pinHash: null, inviteHash: null, ...touched })
    .where(eq(accounts.id, id));
  await requireOwner(db);
  await endSessions(db, id);
  return asRow(before);
}

/** Somebody must be left who can let others in. @throws ProblemError where nobody would be */
async function requireOwner(db: Queries): Promise<void> {
  const isOwner = sql`${accounts.data}->>'role' = 'owner' and ${accounts.passwordHash} is not null`;
  const [row] = await db.select({ id: accounts.id }).from(accounts).where(and(live, isOwner)).limit(1);
  if (!row)
    throw new ProblemError(
      'in-use',
      'Somebody with a password must stay the owner: nobody else could let people in.',
    );
}

/** @throws ProblemError where it is one that everybody would try */
export async function setPassword(db: Queries, id: string, password: string): Promise<void> {
  requireHardToGuess(password);
  await db
    .update(accounts)
    .set({
      passwordHash: await hashSecret(password),
      inviteHash: null,
      invitedUntil: null,
      wrongTries: 0,
      lockedUntil: null,
      ...touched,
    })
    .where(eq(accounts.id, id));
}

/** @param pin null takes it away */
export async function setPin(db: Queries, id: string, pin: string | null): Promise<AccountRow> {
  const pinHash = pin === null ? null : await hashSecret(pin);
  const [row] = await db
    .update(accounts)
    .set({ pinHash, wrongTries: 0, lockedUntil: null, ...touched })
    .where(and(eq(accounts.id, id), live))
    .returning();
  if (!row) throw notFound(`account "${id}"`);
  return asRow(row);
}

/** A link by which somebody sets their password; one made before ends. */
export async function invite(db: Queries, id: string): Promise<Handed> {
  await getAccount(db, id);
  const token = newToken();
  const invitedUntil = new Date(Date.now() + INVITED_DAYS * DAY_MS);
  await db
    .update(accounts)
    .set({ inviteHash: tokenHash(token), invitedUntil, ...touched })
    .where(eq(accounts.id, id));
  return { token, until: invitedUntil.toISOString() };
}

/** The owners, those with a password first. */
export async function owners(db: Queries): Promise<Account[]> {
  const rows = await db
    .select({ data: accounts.data })
    .from(accounts)
    .where(and(live, sql`${accounts.data}->>'role' = 'owner'`))
    .orderBy(sql`${accounts.passwordHash} is null`, asc(accounts.id));
  return rows.map(({ data }) => data);
}

/** Whom a link invites. @throws ProblemError where it has ended, or was used */
export async function invitedBy(db: Queries, token: string): Promise<StoredAccount> {
  const [row] = await db
    .select()
    .from(accounts)
    .where(and(eq(accounts.inviteHash, tokenHash(token)), gt(accounts.invitedUntil, sql`now()`), live));
  if (!row) throw new ProblemError('not-found', 'This invitation has ended, or was used. Ask for a new one.');
  return row;
}

/** Signs somebody out everywhere. */
export async function endSessions(db: Queries, accountId: string): Promise<void> {
  await db.delete(sessions).where(eq(sessions.accountId, accountId));
}
