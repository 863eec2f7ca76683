import { z } from 'zod';
import { Id, LengthM, Name } from './scalars.ts';

/** Pipes an arch or frame is made of. */
export const PipeId = z.enum(['pvc-half', 'pvc-three-quarter', 'pvc-one', 'emt-half', 'emt-three-quarter']);
export type PipeId = z.infer<typeof PipeId>;

/** Pieces of pipe that lie in the workshop, whole or left over, so many alike. */
export const OwnPipe = z.strictObject({
  id: Id,
  pipe: PipeId,
  lengthM: LengthM.max(10),
  count: z.int().min(0).max(1000),
});
export type OwnPipe = z.infer<typeof OwnPipe>;

/** A length of pipe that a piece takes. */
export const PipePart = z.strictObject({
  pipe: PipeId,
  pieceId: Id,
  label: z.string(),
  lengthM: z.number(),
});
export type PipePart = z.infer<typeof PipePart>;

/** What another job that is out at the same time takes of what both share: pipe to be cut, and weights for bases. */
export const JobClaim = z.strictObject({
  job: Name,
  /** Its doors open before: it has the first choice of weights. */
  isFirst: z.boolean(),
  pipes: z.array(PipePart),
  weights: z.array(z.strictObject({ id: Id, count: z.int().nonnegative() })),
});
export type JobClaim = z.infer<typeof JobClaim>;
