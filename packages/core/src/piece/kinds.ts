import type { Piece, PieceKind, PieceOf } from '@early-lantern/contract';
import { memoByPiece } from '../quantity/memo.ts';
import { accent } from './accent.ts';
import { backdrop } from './backdrop.ts';
import { banner } from './banner.ts';
import { bunch } from './bunch.ts';
import { centrepiece } from './centrepiece.ts';
import { chain } from './chain.ts';
import { furnishing } from './furnishing.ts';
import type { Kind } from './kind.ts';
import { organicGarland } from './organic-garland.ts';
import { packedArch } from './packed-arch.ts';
import { packedColumn } from './packed-column.ts';
import { pairArch } from './pair-arch.ts';
import { panelWall } from './panel-wall.ts';
import { photoFrame } from './photo-frame.ts';
import { squareColumn } from './square-column.ts';
import { standingGarland } from './standing-garland.ts';
import { tableArch } from './table-arch.ts';
import { topiary } from './topiary.ts';
import { tower } from './tower.ts';
import type { Upon } from './upon.ts';

/** Every kind of piece: add one here, in a file of its own, and to the contract's union. */
export const kinds: { [K in PieceKind]: Kind<PieceOf<K>> } = {
  'organic-garland': organicGarland,
  'packed-arch': packedArch,
  'packed-column': packedColumn,
  'square-column': squareColumn,
  'photo-frame': photoFrame,
  'standing-garland': standingGarland,
  'panel-wall': panelWall,
  'table-arch': tableArch,
  tower,
  'pair-arch': pairArch,
  chain,
  topiary,
  centrepiece,
  bunch,
  banner,
  accent,
  backdrop,
  furnishing,
};

/** What the kind of a piece says of such pieces. */
export const kindOf = (piece: Piece) => kinds[piece.kind] as Kind<Piece>;

/** What of a piece the rest of the plan goes by. */
export const traitsOf = (piece: Piece) => kindOf(piece).traits(piece);

/** How a piece goes on others: a piece is never changed in place, so it is looked at once. */
export const uponOf = memoByPiece<Piece, [], Upon>(
  () => [],
  (piece) => kindOf(piece).upon(piece),
);

/** Hung by points along a line that is drawn for it. */
export const isGarland = (piece: Piece): piece is PieceOf<'organic-garland'> =>
  piece.kind === 'organic-garland';

/** Set down first and cleared away last. */
export const isFurniture = (piece: Piece) => traitsOf(piece).furniture.length > 0;
