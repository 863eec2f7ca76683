import type { BaseId, JobFile, Piece, PieceOf } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { uponOf } from '../piece/kinds.ts';
import type { Recipe } from '../piece/recipe.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { upright } from './upright.ts';

/** Drag of one smooth ball, no unit: 0.47 to 0.5. From memory, an editable default. */
const BALL_DRAG = 0.5;

/** A column or a tower, with what ends at it pulling at its top. */
export function columnCarrier(
  piece: PieceOf<'packed-column'> | PieceOf<'square-column'> | PieceOf<'tower'>,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
  stand: { label: string; base: BaseId } = { label: 'column stand', base: 'small-plate' },
): Carrier {
  const pulls = file.job.pieces.flatMap((other) => pullsOn(piece, other));
  return {
    ...upright(stand.label, stand.base, recipe, mass),
    ...('topper' in piece && piece.topper ? underTopper(piece.heightM, piece.topper, recipe) : {}),
    pickX: () => 0,
    // Pulls from both sides cancel; what is left pulls it over.
    pullAtTopN: Math.abs(pulls.reduce((sum, one) => sum + one, 0)),
    working: pulls.length
      ? [
          working(
            'Pull of what ends at it',
            'weight · span / (8 · rise or sag), an arch with its string drawn tight',
            [['ends', pulls.length]],
            { value: Math.abs(pulls.reduce((sum, one) => sum + one, 0)), unit: 'N' },
            `the arch pulls its towers inward: ${COMMON_PRACTICE}`,
          ),
        ]
      : [],
  };
}

/** A column and the round balloon on its top: each meets the wind with its own outline, at its own height. */
function underTopper(
  heightM: number,
  { inflatedIn }: { inflatedIn: number },
  recipe: Recipe,
): Pick<Carrier, 'dragFrontM2' | 'dragSideM2' | 'windHeightM'> {
  const ballM = inchesToMetres(inflatedIn);
  const column = DRAG * SOLID * recipe.visibleWidthM * heightM;
  const ball = BALL_DRAG * (Math.PI / 4) * ballM ** 2;
  return {
    dragFrontM2: column + ball,
    dragSideM2: column + ball,
    windHeightM: (column * (heightM / 2) + ball * (heightM + ballM / 2)) / (column + ball),
  };
}

/** Pull on a tower by what ends at it, N: to the right positive. */
function pullsOn(tower: Piece, other: Piece): number[] {
  const pullN = uponOf(other).ends?.pullN;
  if (pullN === undefined) return [];
  return endsOn(other, tower.id).map((side) => -side * pullN);
}

/** Which ends of it a piece carries: −1 the left one, 1 the right one. */
function endsOn({ on, alsoOn }: Piece, id: string): (-1 | 1)[] {
  return [...(on?.pieceId === id ? ([-1] as const) : []), ...(alsoOn?.pieceId === id ? ([1] as const) : [])];
}
