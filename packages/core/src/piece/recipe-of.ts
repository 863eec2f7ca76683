import type { Piece, Schools, WorkshopSettings } from '@early-lantern/contract';
import { memoByPiece } from '../quantity/memo.ts';
import { plural } from '../quantity/plural.ts';
import { asMade } from '../stock/families.ts';
import { withStandIns } from '../stock/stand-ins.ts';
import { withAttachments } from './attachments.ts';
import { attachmentsPicture } from './attachments-picture.ts';
import { designOf } from './design.ts';
import { withKept } from './kept.ts';
import { kindOf } from './kinds.ts';
import type { DrawnBalloon } from './picture.ts';
import type { Placement } from './placement.ts';
import { type HouseSchools, type Need, type Recipe, settledSchools } from './recipe.ts';

interface Known {
  design: ReturnType<typeof designOf>;
  /** As the piece is designed, and with stand-ins for what is not to be had. */
  designed: Recipe;
  recipe: Recipe;
}

/** The schools a piece is made by: its own, else the house's, else the usual ones. */
export function schoolsOf(piece: Piece, house?: HouseSchools): Schools {
  const settled = settledSchools('schools' in piece ? piece.schools : undefined, house);
  return piece.kind === 'organic-garland' && piece.joining ? { ...settled, joining: piece.joining } : settled;
}

const workOut = memoByPiece<Piece, [HouseSchools | undefined], Known>(
  (_, house) => [house],
  (piece, house) => {
    const design = designOf(piece, schoolsOf(piece, house));
    const designed = withAttachments(piece, withTieLines(piece, design.recipe));
    const standIns = 'standIns' in piece ? piece.standIns : undefined;
    const recipe = standIns?.length
      ? { ...designed, needs: withStandIns(designed.needs, standIns) }
      : designed;
    return { design, designed, recipe };
  },
);

/** Lines are tied when the frame is complete and weighted, before anything is put on it. */
function withTieLines(piece: Piece, recipe: Recipe): Recipe {
  const lines = piece.hold?.tieLines ?? 0;
  if (lines === 0) return recipe;
  const work = {
    id: 'tie-lines',
    stage: 'tie' as const,
    label: `${plural(lines, 'tie line')}, half forward, half back`,
    rate: 'hang-point' as const,
    amount: lines,
    how: ['Only when the frame is complete and every base weighted.'],
  };
  return { ...recipe, siteWork: [...recipe.siteWork, work] };
}

/** The recipe of a piece of any kind, with stand-ins in their places. */
export const recipeOf = (piece: Piece, house?: HouseSchools): Recipe => workOut(piece, house).recipe;

/** The recipe in the sizes that the colours are made in, with what is kept from an earlier installation. */
export function madeRecipe(piece: Piece, workshop: WorkshopSettings): Recipe {
  const recipe = recipeOf(piece, workshop.schools);
  const needs = asMade(recipe.needs, workshop);
  return withKept(piece, needs === recipe.needs ? recipe : { ...recipe, needs: [...needs] });
}

/** What the design asks for, before any stand-in. */
export const rawNeedsOf = (piece: Piece, house?: HouseSchools): Need[] =>
  workOut(piece, house).designed.needs;

/** How deep a piece is from front to back without its bases, m. */
export function pieceDepthM(piece: Piece, house?: HouseSchools): number {
  const { designed } = workOut(piece, house);
  return kindOf(piece).depthM?.(piece, designed) ?? designed.visibleWidthM;
}

/** What is attached to a piece, as balloons of its size. */
export const attached = (piece: Piece): DrawnBalloon[] =>
  attachmentsPicture(piece.attachments ?? [], kindOf(piece).parts?.(piece) ?? []);

/** Where a piece is, with what is attached to it: each balloon of the design, and what carries it. */
export const placementOf = memoByPiece<Piece, [house?: HouseSchools], Placement>(
  (_, house) => [house],
  (piece, house) => {
    const bare = workOut(piece, house).design.placement();
    return piece.attachments?.length ? { ...bare, balloons: [...bare.balloons, ...attached(piece)] } : bare;
  },
);
