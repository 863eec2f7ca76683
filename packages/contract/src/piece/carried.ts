import { z } from 'zod';
import { LoadKind } from '../hold.ts';
import { PieceId } from '../ids.ts';
import { DiameterIn, Id, Name } from '../scalars.ts';

/** Parts of pieces that other pieces hang on, stand on, lean on or are tied into. Which kind has which is its own data. */
export const PartId = z.enum([
  'top-bar',
  'upright',
  'face',
  'edge',
  'bar',
  'crossbar',
  'gap',
  'layer',
  'pole',
  'top',
  'leg',
  'body',
  'start',
  'end',
  'foot',
]);
export type PartId = z.infer<typeof PartId>;

/** What carries a piece: another piece of the same spot, and which part of it. */
export const On = z.strictObject({ pieceId: PieceId, part: PartId });
export type On = z.infer<typeof On>;

/** How an attachment is fixed. */
export const AttachmentFixing = z.enum([
  'stem',
  'half-260',
  'dots',
  'tape',
  'line',
  'pin',
  'zip-tie',
  'pressed-in',
]);
export type AttachmentFixing = z.infer<typeof AttachmentFixing>;

/** Something put on a piece besides its balloons: florals, foils, plush, signs, lights, cut-outs, or a thing of one's own. */
export const Attachment = z.strictObject({
  id: Id,
  name: Name,
  what: LoadKind.optional(),
  /** How many alike, side by side; left out, one. */
  count: z.int().min(1).max(200).optional(),
  /** Of one. */
  massKg: z.number().min(0).max(50),
  /** How far along the piece, from its first point to its last, or from its foot to its top. */
  at: z.number().min(0).max(1),
  /** Left out, what is usual for such a thing. */
  fixing: AttachmentFixing.optional(),
  /** To put one on; left out, what is usual. */
  minutesEach: z.number().min(0).max(120).optional(),
  sizeIn: DiameterIn.optional(),
});
export type Attachment = z.infer<typeof Attachment>;
