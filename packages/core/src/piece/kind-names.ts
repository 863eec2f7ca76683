import type { PieceKind } from '@early-lantern/contract';

/** How kinds are called on screen and paper. */
export const kindNames: Record<PieceKind, string> = {
  'organic-garland': 'Organic garland',
  'packed-arch': 'Packed arch',
  'packed-column': 'Packed column',
  'square-column': 'Square column',
  'photo-frame': 'Photo frame',
  'standing-garland': 'Standing garland',
  'panel-wall': 'Panel wall',
  'table-arch': 'Table arch',
  tower: 'Tower',
  'pair-arch': 'Pair arch',
  chain: 'Chain',
  topiary: 'Topiary',
  centrepiece: 'Centrepieces',
  bunch: 'Bunches',
  banner: 'Letter banner',
  accent: 'Accent',
  backdrop: 'Backdrop',
  furnishing: 'Furnishing',
};
