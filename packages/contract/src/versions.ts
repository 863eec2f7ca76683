import { z } from 'zod';
import { JobHead } from './job.ts';
import { Piece } from './piece/index.ts';
import { Id } from './scalars.ts';

/** What a job's own row or one of its pieces was, before somebody changed or deleted it. */
export const Version = z.strictObject({
  id: z.int(),
  /** When it stopped being so. */
  at: z.iso.datetime({ offset: true }),
  what: z.enum(['job', 'piece']),
  /** The piece's, or the job's. */
  rowId: Id,
  name: z.string(),
  isDeleted: z.boolean(),
  /** Who changed it then; null where nobody had to sign in. */
  by: z.string().nullable(),
});
export type Version = z.infer<typeof Version>;

export const WholeVersion = z.strictObject({ ...Version.shape, data: z.union([JobHead, Piece]) });
export type WholeVersion = z.infer<typeof WholeVersion>;
