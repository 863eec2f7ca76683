import type { PlanPiece } from '@early-lantern/contract';

type Speech = Record<'long' | 'short', (metres: number) => string>;

/** How large a piece is, as one would say it: a frame by width and height, a garland by its length and how wide it is; '' for what has no size. */
export function pieceSize(
  { sizeM, lengthM, visibleWidthM }: Pick<PlanPiece, 'sizeM' | 'lengthM' | 'visibleWidthM'>,
  { long, short }: Speech,
): string {
  if (sizeM) return `${long(sizeM.widthM)} wide, ${long(sizeM.heightM)} high`;
  return lengthM > 0 && visibleWidthM > 0 ? `${long(lengthM)} long, ${short(visibleWidthM)} wide` : '';
}
