import type { HoldPoint, Piece } from '@early-lantern/contract';
import { carrierWords } from '@early-lantern/core';

/** What a point is fixed to: a part of a piece, something that is there, or the surface. */
export function placeWords({ on, fixing, surface }: HoldPoint, pieces: readonly Piece[]): string {
  const carrier = carrierWords(on, pieces);
  if (carrier) return `, ${carrier}`;
  return fixing ? ` to the ${fixing.replaceAll('-', ' ')}` : ` on ${surface}`;
}
