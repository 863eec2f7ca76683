import { z } from 'zod';
import { Banner, Bunch, Chain, PanelWall, PhotoFrame, StandingGarland, Topiary } from './dressed.ts';
import { OrganicGarland } from './organic-garland.ts';
import { Accent, Backdrop, Furnishing } from './other.ts';
import { Centrepiece, PackedArch, PackedColumn, PairArch, SquareColumn, TableArch, Tower } from './packed.ts';

export * from './by-hand.ts';
export * from './carried.ts';
export * from './common.ts';
export * from './dressed.ts';
export * from './organic-garland.ts';
export * from './other.ts';
export * from './packed.ts';

/** Whatever can be built. One member per kind. */
export const Piece = z.discriminatedUnion('kind', [
  OrganicGarland,
  PackedArch,
  PackedColumn,
  SquareColumn,
  PhotoFrame,
  StandingGarland,
  PanelWall,
  TableArch,
  Tower,
  PairArch,
  Chain,
  Topiary,
  Centrepiece,
  Bunch,
  Banner,
  Accent,
  Backdrop,
  Furnishing,
]);
export type Piece = z.infer<typeof Piece>;
export type PieceKind = Piece['kind'];
export type PieceOf<K extends PieceKind> = Extract<Piece, { kind: K }>;
/** Pieces that are made of balloons. */
export type BalloonPiece = Exclude<Piece, { kind: 'backdrop' | 'furnishing' }>;

/** The kinds, as they are named in data. */
export const pieceKinds = Piece.options.map((option) => option.shape.kind.value) as [
  PieceKind,
  ...PieceKind[],
];
