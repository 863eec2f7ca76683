import type { JobFile, Piece, PieceKind, PieceOf } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import type { Recipe } from '../piece/recipe.ts';
import { carriedBy } from '../support/carried.ts';
import type { Carrier } from './carrier.ts';
import { archCarrier } from './carry-arch.ts';
import { columnCarrier } from './carry-column.ts';
import { backdropCarrier, panelCarrier } from './carry-flat.ts';
import { frameCarrier } from './carry-frame.ts';
import { poleCarrier } from './carry-pole.ts';
import type { PieceMass } from './mass.ts';
import { laidTable, tableCarrier } from './table-carrier.ts';
import { upright } from './upright.ts';

/** How pieces of a kind are carried; undefined for what hangs or is only set down. */
type CarrierOf<P extends Piece> = (
  piece: P,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
) => Carrier | undefined;

const nothing = () => undefined;

/** Every kind with what carries it: a new one is asked for here. */
const carriers: { [K in PieceKind]: CarrierOf<PieceOf<K>> } = {
  'organic-garland': nothing,
  'packed-arch': archCarrier,
  'packed-column': columnCarrier,
  'square-column': columnCarrier,
  tower: (piece, recipe, mass, file) =>
    columnCarrier(piece, recipe, mass, file, { label: 'tower stand', base: 'plate-2ft' }),
  'standing-garland': poleCarrier,
  'table-arch': tableCarrier,
  'photo-frame': frameCarrier,
  'panel-wall': (piece, _, mass) => panelCarrier(piece, mass),
  backdrop: (piece, _, mass) => backdropCarrier(piece, mass),
  furnishing: (piece, _, __, { job }) =>
    carriedBy(piece.id, job.pieces).length > 0 ? laidTable(piece) : undefined,
  topiary(piece, recipe, mass) {
    const area = DRAG * SOLID * (Math.PI / 4) * piece.ballM ** 2 + DRAG * piece.skirtM * 0.5;
    return {
      ...upright('column stand under a ball', 'small-plate', recipe, mass),
      dragFrontM2: area,
      dragSideM2: area,
      windHeightM: piece.standM,
      topM: piece.standM + piece.ballM / 2,
    };
  },
  centrepiece(piece, recipe, mass) {
    const one = { ...mass, dressingKg: mass.dressingKg / piece.count, gearKg: 0.1 };
    const area = DRAG * SOLID * recipe.visibleWidthM * piece.postM;
    return {
      ...upright('post in a wooden block', 'wood-block', recipe, one),
      dragFrontM2: area,
      dragSideM2: area,
      windHeightM: piece.postM / 2,
      topM: piece.postM,
    };
  },
  'pair-arch': nothing,
  chain: nothing,
  bunch: nothing,
  banner: nothing,
  accent: nothing,
};

/** How a standing piece is carried; undefined for what hangs or is only set down. */
export const carrierOf = (
  piece: Piece,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
): Carrier | undefined => (carriers[piece.kind] as CarrierOf<Piece>)(piece, recipe, mass, file);
