import type { JobFile, On, Piece, Spot, Surface } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import type { PartMade } from '../piece/part.ts';
import { distanceTo, partsOf } from '../support/parts.ts';
import { bestMethod, type Place } from './methods.ts';

/** A garland is tied to a bar or pole that runs beside it so far off, m. From memory, an editable default. */
const BESIDE_M = 0.35;

/** A pin or a dash holds less than this, N: what is firm beside it is taken first. From memory. */
const LITTLE_N = 10;

/** What a part is to the touch, for those who ask by surface. */
const surfaces: Record<PartMade, Surface> = {
  bar: 'metal',
  pole: 'metal',
  cloth: 'fabric',
  mesh: 'mesh',
  board: 'wood',
  'frame-behind': 'metal',
  panel: 'painted',
  gap: 'metal',
  balloons: 'fabric',
  'table-top': 'wood',
  'table-edge': 'wood',
  leg: 'metal',
};

/** A place on a part of a piece. */
export const placeOnPart = (made: PartMade, spot: Spot, file: JobFile): Place => ({
  surface: surfaces[made],
  part: made,
  isOverhead: false,
  isOutdoors: !(spot.indoors ?? file.site.indoors),
  conditions: [],
  forbids: file.site.forbids ?? [],
});

/**
 * The part of its carriers that a piece is fixed to at a point: of those within reach the one that was chosen, unless
 * that bears next to nothing (no weight on the cloth), else the one that holds most. Undefined where none is within
 * reach.
 */
export function placeOnParts(
  piece: Piece,
  file: JobFile,
  at: XY,
  spot: Spot,
): (Place & { on: On }) | undefined {
  const within = [piece.on, piece.alsoOn].flatMap((on) => {
    const carrier = on && file.job.pieces.find(({ id }) => id === on.pieceId);
    if (!on || !carrier) return [];
    return partsOf(carrier).flatMap((part) => {
      if (distanceTo(part, at) > BESIDE_M) return [];
      const place = { ...placeOnPart(part.made, spot, file), isGarland: true };
      const best = bestMethod(place, file.workshop);
      return best
        ? [
            {
              place: { ...place, on: { pieceId: on.pieceId, part: part.id } },
              best,
              isChosen: part.id === on.part,
            },
          ]
        : [];
    });
  });
  const isMeant = ({ isChosen, best }: (typeof within)[number]) => isChosen && best.ratingN >= LITTLE_N;
  const sorted = within.sort(
    (a, b) => Number(isMeant(b)) - Number(isMeant(a)) || b.best.ratingN - a.best.ratingN,
  );
  return sorted[0]?.place;
}
