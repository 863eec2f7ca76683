import { z } from 'zod';
import { row } from './api.ts';
import { Piece } from './piece/index.ts';
import { Id, Name, Text } from './scalars.ts';

/** Most that a job has. */
const MOST_PIECES = 60;
/** As far before or after doors as a job's hours lie, minutes. */
const Offset = z
  .int()
  .min(-45 * 1440)
  .max(125 * 1440);

/** Hours of a job, counted from its doors, minutes: below zero is before them. */
const Hours = z.strictObject({
  accessFrom: Offset,
  accessUntil: Offset,
  strikeFrom: Offset,
  strikeUntil: Offset,
});

/** Something built again and again: one piece with what hangs on it, or the pieces and hours of a whole job. */
export const Template = z.strictObject({
  id: Id,
  name: Name,
  what: z.enum(['job', 'piece']),
  /** With the ids of the job that they come from; whoever takes them gives them new ones. */
  pieces: z.array(Piece).min(1, 'a template has one piece at least').max(MOST_PIECES),
  /** Of a job. */
  hours: Hours.optional(),
  event: Text.optional(),
  notes: Text.optional(),
});
export type Template = z.infer<typeof Template>;

export const TemplateRow = row(Template);
export type TemplateRow = z.infer<typeof TemplateRow>;
