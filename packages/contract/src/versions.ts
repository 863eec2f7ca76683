import { z } from 'zod';
import { JobHead } from './job.ts';
import { Piece } from './piece/index.ts';
import { Id } from './scalars.ts';
import { Site } from './site.ts';
import { CrewMember, WorkshopSettings } from './workshop.ts';

/** What a row was before somebody changed or deleted it: of a job or one of its pieces, a place, a person, the workshop, who may come in. */
export const Version = z.strictObject({
  id: z.int(),
  /** When it stopped being so. */
  at: z.iso.datetime({ offset: true }),
  what: z.enum(['job', 'piece', 'site', 'crew', 'workshop', 'account']),
  /** Of the row itself. */
  rowId: Id,
  name: z.string(),
  isDeleted: z.boolean(),
  /** Who changed it then; null where nobody had to sign in. */
  by: z.string().nullable(),
});
export type Version = z.infer<typeof Version>;

/** The same in the list of all changes: of what belongs to a job, with the job. */
export const NotedChange = z.strictObject({
  ...Version.shape,
  jobId: z.string(),
  /** Its name now; null where it belongs to none, or the job is gone for good. */
  job: z.string().nullable(),
});
export type NotedChange = z.infer<typeof NotedChange>;

export const WholeVersion = z.strictObject({
  ...Version.shape,
  data: z.union([JobHead, Piece, Site, CrewMember, WorkshopSettings]),
});
export type WholeVersion = z.infer<typeof WholeVersion>;
