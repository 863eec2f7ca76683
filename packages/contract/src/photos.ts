import { z } from 'zod';
import { row } from './api.ts';
import { PieceId } from './ids.ts';
import { Id, Instant } from './scalars.ts';

/** What somebody marks on a photo of a built piece: what the eye stops at. */
export const PhotoMark = z.strictObject({
  id: Id,
  kind: z.enum(['gap', 'clump', 'bare', 'sag']),
  /** Its middle, as shares of the photo's width and height from the top left; its radius as a share of the width. */
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  r: z.number().min(0.005).max(0.5),
});
export type PhotoMark = z.infer<typeof PhotoMark>;

/** When a photo was taken, by what is to be seen on it. */
export const PhotoMoment = z.enum(['before', 'standing', 'after']);
export type PhotoMoment = z.infer<typeof PhotoMoment>;

/** A photo of a piece as it was built; its picture is asked for by itself. */
export const Photo = z.strictObject({
  id: Id,
  pieceId: PieceId,
  type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  widthPx: z.int().positive(),
  heightPx: z.int().positive(),
  addedAt: Instant,
  /** Of the place before anything hangs there, of the piece as it stands, or of the place when all is down; left out of older photos. */
  moment: PhotoMoment.optional(),
  marks: z.array(PhotoMark).max(200),
});
export type Photo = z.infer<typeof Photo>;

export const PhotoRow = row(Photo);
export type PhotoRow = z.infer<typeof PhotoRow>;

/** A photo sent in: its file as base64. */
export const PhotoUpload = z.strictObject({
  pieceId: PieceId,
  content: z.base64().max(5_500_000),
  /** Where a phone keeps it until it is sent: made there, so that what is sent again is known again. */
  id: Id.optional(),
  /** When it was taken, where that was before it could be sent. */
  takenAt: Instant.optional(),
  marks: Photo.shape.marks.optional(),
  moment: PhotoMoment.optional(),
});
export type PhotoUpload = z.infer<typeof PhotoUpload>;
