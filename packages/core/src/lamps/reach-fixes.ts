import type { Change, JobFile, Piece } from '@early-lantern/contract';
import { REACH_M, standingHeightM, usualPlatforms } from '../fixing/reach.ts';
import { isGarland } from '../piece/kinds.ts';
import { moved } from '../piece/moved.ts';
import { newPiece } from '../piece/new-piece.ts';
import { formatLength } from '../quantity/length.ts';
import { partsOf } from '../support/parts.ts';
import { boundsOf } from '../support/room.ts';
import { hungOn, laidAlong } from '../support/snap.ts';

/** A change to try, and what it is called. */
export interface Attempt {
  label: string;
  changes: Change[];
}

/** A piece is lowered in steps of this, m, and by no more than so much. */
const STEP_M = 0.25;
const MOST_M = 3;

/** Where no ladder reaches: the piece lower, as high as the highest ladder allows; or a tower or lift hired. */
export function reachFixes(file: JobFile, piece: Piece, index: number): Attempt[][] {
  const { units } = file.workshop;
  const { platforms = [] } = file.job;
  const steps = Array.from({ length: Math.round(MOST_M / STEP_M) }, (_, i) => (i + 1) * STEP_M);
  const highest = formatLength(standingHeightM(file) + REACH_M, units);
  const isCeiling = file.site.spots.find(({ id }) => id === piece.spotId)?.kind === 'ceiling-run';
  const lowestM = boundsOf(piece, file.workshop.schools)?.yM ?? 0;
  const hired: Attempt[] = usualPlatforms
    .filter(({ id }) => !platforms.some((one) => one.id === id))
    .map((one) => ({
      label: `Hire a ${one.name.toLowerCase()}: ${formatLength(one.widthM, units)} wide, platform at ${formatLength(one.standM, units)}; ask its price, and what the floor bears`,
      changes: [{ path: '/job/platforms', value: [...platforms, one] as Change['value'] }],
    }));
  const sections = isGarland(piece) ? (piece.sections ?? 1) : undefined;
  return [
    // Under a ceiling it is the ceiling that has to be reached; and nothing is hung so low that it lies on the floor.
    isCeiling
      ? []
      : steps
          .filter((byM) => lowestM - byM >= 0)
          .map((byM) => ({
            label: `${piece.name}: hang it ${formatLength(byM, units)} lower, within ${highest} of the floor`,
            changes: [{ path: `/job/pieces/${index}`, value: moved(piece, 0, -byM) as Change['value'] }],
          })),
    hired,
    // Where it could be reached and still would not hold: in shorter lengths, each with points of its own.
    sections === undefined
      ? []
      : hired.flatMap(({ label, changes }) =>
          [1, 2, 3, 4].map((more) => ({
            label: `${label}; and build ${piece.name} in ${sections + more} sections`,
            changes: [...changes, { path: `/job/pieces/${index}/sections`, value: sections + more }],
          })),
        ),
  ];
}

/** Where nothing is allowed to fix it with: a curtain stand of its own behind it, to hang it on. */
export function ownStand(file: JobFile, piece: Piece, index: number): Attempt[] {
  const spot = file.site.spots.find(({ id }) => id === piece.spotId);
  if (!spot || piece.on || !isGarland(piece)) return [];
  const id = `${piece.id.slice(0, 50)}-stand`;
  if (file.job.pieces.some((one) => one.id === id)) return [];
  const colours = file.workshop.colours.map((colour) => colour.id);
  const stand = newPiece('backdrop', {
    id,
    name: `Stand for ${piece.name}`.slice(0, 80),
    spot,
    colours,
    seed: 1,
  });
  const pieces = [...file.job.pieces, stand];
  const bar = partsOf(stand).find(({ made }) => made === 'bar');
  if (!bar) return [];
  const hung = hungOn(piece, 'on', { pieceId: id, part: bar.id }, pieces);
  const laid = laidAlong(hung, bar);
  const changed = (one: Piece) => pieces.map((old, i) => (i === index ? one : old)) as Change['value'];
  return [hung, ...(laid ? [laid.piece] : [])].map((one) => ({
    label: `${piece.name}: set up a curtain stand for it and hang it on its top bar`,
    changes: [{ path: '/job/pieces', value: changed(one) }],
  }));
}
