import type { Piece, Schools, StandIn, WorkshopSettings } from '@early-lantern/contract';
import { plural } from '../quantity/plural.ts';
import { asMade } from '../stock/families.ts';
import { seenColour, withStandIns } from '../stock/stand-ins.ts';
import { withAttachments } from './attachments.ts';
import { attachmentsPicture } from './attachments-picture.ts';
import { designOf } from './design.ts';
import { withKept } from './kept.ts';
import { kindOf } from './kinds.ts';
import type { Picture } from './picture.ts';
import { type HouseSchools, type Need, type Recipe, settledSchools } from './recipe.ts';

interface Known {
  house: HouseSchools | undefined;
  design: ReturnType<typeof designOf>;
  /** As the piece is designed, and with stand-ins for what is not to be had. */
  designed: Recipe;
  recipe: Recipe;
}

/** Recipes worked out before. A piece is never changed in place, so the same object has the same recipe. */
const known = new WeakMap<Piece, Known>();
const drawn = new WeakMap<Piece, Picture>();

/** The schools a piece is made by: its own, else the house's, else the usual ones. */
export function schoolsOf(piece: Piece, house?: HouseSchools): Schools {
  const settled = settledSchools('schools' in piece ? piece.schools : undefined, house);
  return piece.kind === 'organic-garland' && piece.joining ? { ...settled, joining: piece.joining } : settled;
}

function workOut(piece: Piece, house: HouseSchools | undefined): Known {
  const before = known.get(piece);
  if (before && before.house === house) return before;
  const design = designOf(piece, schoolsOf(piece, house));
  const designed = withAttachments(piece, withTieLines(piece, design.recipe));
  const standIns = 'standIns' in piece ? piece.standIns : undefined;
  const recipe = standIns?.length ? { ...designed, needs: withStandIns(designed.needs, standIns) } : designed;
  const found = { house, design, designed, recipe };
  known.set(piece, found);
  return found;
}

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

function withStandInColours(picture: Picture, standIns: readonly StandIn[] = []): Picture {
  if (standIns.length === 0) return picture;
  const balloons = picture.balloons.map((ball) => ({
    ...ball,
    colour: seenColour(ball.colour, ball.nominalIn, standIns),
  }));
  return { ...picture, balloons };
}

/** How a piece looks on its spot's elevation: each balloon of the design, and what carries it. */
export function pictureOf(piece: Piece, house?: HouseSchools): Picture {
  const before = drawn.get(piece);
  if (before) return before;
  const bare = workOut(piece, house).design.picture();
  const { attachments = [] } = piece;
  const picture =
    attachments.length > 0
      ? {
          ...bare,
          balloons: [
            ...bare.balloons,
            ...attachmentsPicture(attachments, kindOf(piece).parts?.(piece) ?? []),
          ],
        }
      : bare;
  const seen = withStandInColours(picture, 'standIns' in piece ? piece.standIns : undefined);
  drawn.set(piece, seen);
  return seen;
}
