import { z } from 'zod';
import { PieceId } from './ids.ts';

/** A place without balloons: where the largest circle that goes in has its middle, and how large it is, m. */
export const LookGap = z.strictObject({
  xM: z.number(),
  yM: z.number(),
  /** In front of the wall, or of the plane of the piece. */
  zM: z.number(),
  radiusM: z.number(),
  /** From where it is seen: the front, or half-way to its left or right. */
  view: z.enum(['front', 'left', 'right']),
  /** What closes it, in words. */
  closeWith: z.string(),
});
export type LookGap = z.infer<typeof LookGap>;

/** A piece as it will look once it is built: settled, seen from the front and half-way to either side. */
export const FullPiece = z.strictObject({
  id: PieceId,
  /** Of what it is strung or clipped on, the share seen from the worst side, per cent: without fillers, and with those counted. */
  spineSeenPct: z.strictObject({ before: z.number(), after: z.number() }),
  /** The longest stretch of it that is bare with those counted, m. */
  spineSeenM: z.number(),
  /** Of its outline the share seen through, from the worst side, per cent. */
  seeThroughPct: z.strictObject({ before: z.number(), after: z.number() }),
  /** Of that, what is enclosed on all sides; the rest is notches in its edge. */
  holesPct: z.number(),
  /** Across the largest gap that is left, m; 0 where there is none worth closing. */
  largestGapM: z.number(),
  gaps: z.array(LookGap),
  /** Fillers that close it, and how many are counted. */
  fillers: z.strictObject({ name: z.string(), needed: z.int(), counted: z.int() }),
});
export type FullPiece = z.infer<typeof FullPiece>;

/** Will it look right? Of the pieces that are settled, which so far are those dressed organically. */
export const Full = z.strictObject({
  pieces: z.array(FullPiece),
  /** Roughly settled and seen from the front alone, while something is dragged. */
  isQuick: z.boolean(),
});
export type Full = z.infer<typeof Full>;
