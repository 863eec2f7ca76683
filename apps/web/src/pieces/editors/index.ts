import type { Piece } from '@early-lantern/contract';
import { organicGarland, panelWall, photoFrame, standingGarland } from './dressed.ts';
import type { Editor, Editors } from './editor.ts';
import { banner, bunch, chain, topiary } from './figures.ts';
import { accent, backdrop, furnishing } from './other.ts';
import { centrepiece, packedArch, packedColumn, pairArch, squareColumn, tableArch, tower } from './packed.ts';

export type { Editor, Field, Grip } from './editor.ts';

const editors: Editors = {
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

/** How a piece of any kind is edited. */
export const editorOf = (piece: Piece) => editors[piece.kind] as unknown as Editor<Piece>;
