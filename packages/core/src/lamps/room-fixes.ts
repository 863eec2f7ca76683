import type { Change, HoldPiece, Holds, JobFile, Piece } from '@early-lantern/contract';
import { keptClear } from '../fixing/place.ts';
import { backOf } from '../ground/back.ts';
import { behindTheWallM } from '../ground/in-the-way.ts';
import { overlapsOf } from '../ground/overlaps.ts';
import { moved } from '../piece/moved.ts';
import { formatLength } from '../quantity/length.ts';
import { isOutdoors } from '../structure/gust-at.ts';
import { boundsOf } from '../support/room.ts';
import { applyChanges } from './fixes.ts';
import type { Attempt } from './reach-fixes.ts';

/** Left between two pieces that stood in each other, m. From memory, an editable default. */
const GAP_M = 0.1;

/** An attempt with what comes of it: stood further from the wall where its back lines would else end behind that. */
export function withRoomBehind(
  attempt: Attempt,
  file: JobFile,
  piece: Piece,
  index: number,
  holdsOfFile: (file: JobFile) => Holds,
): Attempt & { after: HoldPiece | undefined; risks: number } {
  const tried = (changes: Change[]) => {
    const { pieces } = holdsOfFile(applyChanges(file, changes));
    return { after: pieces[index], risks: riskCount(pieces) };
  };
  const asIs = tried(attempt.changes);
  const { after } = asIs;
  const spot = file.site.spots.find(({ id }) => id === piece.spotId);
  const shortM = after && spot ? behindTheWallM(after, spot.kind, isOutdoors(spot, file)) : 0;
  if (shortM === 0 || piece.on) return { ...attempt, ...asIs };
  const frontM = upToTheInch((piece.frontM ?? 0) + shortM);
  const further: Attempt = {
    label: `${attempt.label}, standing ${formatLength(frontM, file.workshop.units)} from the ${backOf(spot?.kind)}`,
    changes: [...attempt.changes, { path: `/job/pieces/${index}/frontM`, value: frontM }],
  };
  return { ...further, ...tried(further.changes) };
}

/** What may go wrong at the pieces of a job in all. */
export const riskCount = (pieces: readonly HoldPiece[]): number =>
  pieces.reduce((sum, { risks }) => sum + risks.length, 0);

const INCH_M = 0.0254;
const upToTheInch = (metres: number) => Number((Math.ceil(metres / INCH_M - 1e-6) * INCH_M).toFixed(4));

/**
 * Of a piece that stands or hangs where something has to stay clear: nearer to the wall, beyond that, or beside it; of one
 * that rises through the ceiling, lower.
 */
export function outOfTheWay(file: JobFile, piece: Piece, held: HoldPiece, index: number): Attempt[] {
  const spot = file.site.spots.find(({ id }) => id === piece.spotId);
  const own = held.ground.find(({ what }) => what === 'body');
  if (!spot || !own || piece.on || held.troubles.length === 0) return [];
  const long = (metres: number) => formatLength(metres, file.workshop.units);
  const deepM = Math.max(...held.ground.map(({ outM, depthM }) => outM + depthM)) - (piece.frontM ?? 0);
  const at = (frontM: number, words: string): Attempt => ({
    label: `${piece.name}: ${words}`,
    changes: [{ path: `/job/pieces/${index}/frontM`, value: Number(frontM.toFixed(4)) }],
  });
  const back = backOf(spot.kind);
  const bounds = boundsOf(piece, file.workshop.schools);
  const overM = bounds ? bounds.yM + bounds.heightM - spot.heightM : 0;
  const lowered: Attempt[] =
    overM > 0
      ? [
          {
            label: `${piece.name}: ${long(upToTheInch(overM))} lower`,
            changes: [
              {
                path: `/job/pieces/${index}`,
                value: moved(piece, 0, -upToTheInch(overM)) as unknown as Change['value'],
              },
            ],
          },
        ]
      : [];
  const clear = (spot.keepClear ?? []).flatMap((zone): Attempt[] => {
    const { from, to } = keptClear(zone);
    const nearM = Math.max(0, from.z - deepM);
    const beyondM = upToTheInch(to.z + GAP_M);
    const inDepth =
      zone.depthM === undefined
        ? []
        : [
            at(nearM, nearM > 0 ? `stand it ${long(nearM)} from the ${back}` : `stand it at the ${back}`),
            at(beyondM, `stand it ${long(beyondM)} from the ${back}, beyond what has to stay clear`),
          ];
    const aside = [to.x + GAP_M - own.xM, from.x - GAP_M - own.widthM - own.xM]
      .filter((dxM) => own.xM + dxM >= 0 && own.xM + own.widthM + dxM <= spot.widthM)
      .sort((a, b) => Math.abs(a) - Math.abs(b))
      .map((dxM) => ({
        label: `${piece.name}: ${long(Math.abs(dxM))} further to the ${dxM > 0 ? 'right' : 'left'}`,
        changes: [
          { path: `/job/pieces/${index}`, value: moved(piece, dxM, 0) as unknown as Change['value'] },
        ],
      }));
    return [...inDepth, ...aside];
  });
  return [...lowered, ...clear];
}

/** Of a piece that stands in another, or whose lines have no room: in front of the other, beside it, or further out. */
export function standingApart(file: JobFile, piece: Piece, { pieces }: Holds, index: number): Attempt[] {
  const { units } = file.workshop;
  const long = (metres: number) => formatLength(metres, units);
  const bodyOf = (id: string) =>
    pieces.find((one) => one.id === id)?.ground.find(({ what }) => what === 'body');
  const own = bodyOf(piece.id);
  const back = backOf(file.site.spots.find(({ id }) => id === piece.spotId)?.kind);
  const whole = (one: Piece): Change[] => [
    { path: `/job/pieces/${index}`, value: one as unknown as Change['value'] },
  ];
  const apart = overlapsOf(pieces, file)
    .filter(({ a, b }) => a.id === piece.id || b.id === piece.id)
    .flatMap(({ a, b }): Attempt[] => {
      const other = a.id === piece.id ? b : a;
      const its = bodyOf(other.id);
      if (!own || !its) return [];
      const frontM = upToTheInch(its.outM + its.depthM + GAP_M);
      const right = its.xM + its.widthM + GAP_M - own.xM;
      const left = its.xM - GAP_M - own.widthM - own.xM;
      const aside = [right, left].sort((p, q) => Math.abs(p) - Math.abs(q));
      return [
        {
          label: `${piece.name}: stand it ${long(frontM)} from the ${back}, in front of ${other.name}`,
          changes: [{ path: `/job/pieces/${index}/frontM`, value: frontM }],
        },
        ...aside.map((dxM) => ({
          label: `${piece.name}: ${long(Math.abs(dxM))} further to the ${dxM > 0 ? 'right' : 'left'}, beside ${other.name}`,
          changes: whole(moved(piece, dxM, 0)),
        })),
      ];
    });
  // As it is, only further from the wall: the way there is found as for every other attempt.
  return [...apart, { label: piece.name, changes: [] }];
}
