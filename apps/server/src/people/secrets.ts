import { createHash, randomBytes } from 'node:crypto';
import { FIRST_WORKSHOP } from '@early-lantern/contract';
import { hash, verify } from '@node-rs/argon2';
import { workshopAsked } from '../db/which-workshop.ts';

/** Argon2id is what the library does unless told otherwise; memory in KiB (OWASP Password Storage Cheat Sheet: 19 MiB, 2 passes, 1 lane). */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** A password or PIN as it is stored. */
export const hashSecret = (secret: string): Promise<string> => hash(secret, COST);

/** Whether it is the one that was stored. Where none was, it takes as long to say no: whether a name is known is not told by the clock. */
export async function isSecret(secret: string, stored: string | null): Promise<boolean> {
  decoy ??= hashSecret('nobody');
  return (await verify(stored ?? (await decoy), secret)) && stored !== null;
}

let decoy: Promise<string> | undefined;

/**
 * 256 random bits, as they go into a cookie or a link; before them the workshop where they count, so that nobody has to look for them in
 * others. Without one they are of the first.
 */
export function newToken(): string {
  const workshop = workshopAsked() ?? FIRST_WORKSHOP;
  const secret = randomBytes(32).toString('base64url');
  return workshop === FIRST_WORKSHOP ? secret : `${workshop}.${secret}`;
}

/** The workshop that a token names. Whether it is one of theirs only they know. */
export const workshopOf = (token: string): string =>
  token.includes('.') ? (token.split('.')[0] as string) : FIRST_WORKSHOP;

/** A short name that nobody has had before: letters and digits. */
export const newId = (): string => randomBytes(8).toString('hex');

/** A token as it is stored. It is random and long: a plain hash cannot be turned round. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('base64');
