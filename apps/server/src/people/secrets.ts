import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

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

/** 256 random bits, as they go into a cookie or a link. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** A token as it is stored. It is random and long: a plain hash cannot be turned round. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('base64');
