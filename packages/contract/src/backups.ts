import { z } from 'zod';
import { Instant } from './scalars.ts';

/** A backup: the whole database as it was at a moment. */
export const Backup = z.strictObject({
  /** Name of its file in the folder of backups. */
  file: z.string(),
  at: Instant,
  bytes: z.int().positive(),
  /** Of the file, SHA-256 in hexadecimal: a file that was damaged is told before anything is restored from it. */
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  jobs: z.int().nonnegative(),
});
export type Backup = z.infer<typeof Backup>;

/** The backups there are, newest first. */
export const Backups = z.strictObject({
  folder: z.string(),
  items: z.array(Backup),
  /** Why the last one could not be made; null where it was. */
  failure: z.string().nullable(),
});
export type Backups = z.infer<typeof Backups>;
