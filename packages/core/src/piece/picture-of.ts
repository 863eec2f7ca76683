import type { Piece } from '@early-lantern/contract';
import { type DrawnBalloon, garlandPicture } from './garland-picture.ts';
import { recipeOf } from './recipe-of.ts';

export type { DrawnBalloon };

/** Where each counted balloon of a piece is drawn on its spot's elevation. */
export function pictureOf(piece: Piece): DrawnBalloon[] {
  switch (piece.kind) {
    case 'organic-garland':
      return garlandPicture(piece, recipeOf(piece));
  }
}
