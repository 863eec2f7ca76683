import type { HoldPiece, JobFile, KeepClear, Piece, Spot } from '@early-lantern/contract';
import { clearWords, intrusion, isTooNarrow, keptClear, walkwayM } from '../fixing/place.ts';
import { type Box, crosses, overlapOf } from '../geometry/box.ts';
import { placementOf } from '../piece/recipe-of.ts';
import { formatLength } from '../quantity/length.ts';
import { isSolidBehind } from './back.ts';
import { inDepth } from './in-depth.ts';

/** Balloons give: less than this is a touch, m. */
const TOUCH_M = 0.03;
/** A base or its weights stand so high, m: nobody steps over them. From memory. */
const BASE_M = 0.15;

/** What of a piece stands where it may not: in a zone kept clear, above the ceiling, behind the wall, beyond the floor. */
export function inTheWay(
  piece: Piece,
  held: HoldPiece,
  spot: Spot,
  file: JobFile,
  isOutdoors: boolean,
): string[] {
  return [
    ...throughTheTop(piece, spot, file, isOutdoors),
    ...new Set((spot.keepClear ?? []).flatMap((zone) => inZone(piece, held, zone, file))),
    ...beyondTheFloor(piece, held, spot, file, isOutdoors),
  ];
}

/** Under a ceiling there is no more room; outdoors a spot is as high as somebody drew it. */
function throughTheTop(piece: Piece, spot: Spot, file: JobFile, isOutdoors: boolean): string[] {
  const { units, schools } = file.workshop;
  const topM = placementOf(piece, schools).balloons.reduce((most, { yM, rM }) => Math.max(most, yM + rM), 0);
  const overM = topM - spot.heightM;
  if (isOutdoors || overM <= TOUCH_M) return [];
  return [
    `${piece.name}: it rises ${formatLength(overM, units)} through the top of ${spot.name}, which is ${formatLength(spot.heightM, units)} high.`,
  ];
}

function inZone(piece: Piece, held: HoldPiece, zone: KeepClear, file: JobFile): string[] {
  const { units, schools } = file.workshop;
  const long = (metres: number) => formatLength(metres, units);
  if (isTooNarrow(zone))
    return [
      `${piece.name}: the walkway drawn is ${long(walkwayM(zone))}; one has to be 36 in. clear at least (ADA 2010, 403.5.1).`,
    ];
  const says = (what: string) =>
    zone.kind === 'walkway'
      ? `${piece.name}: ${what} in the walkway, ${long(walkwayM(zone))} wide as drawn; it has to stay clear.`
      : `${piece.name}: ${clearWords[zone.kind]}.`;
  const baseM = Math.max(0, ...held.ground.map(({ depthM }) => depthM));
  const { body, axisM } = inDepth(piece, file, baseM);
  // Its balloons end where the piece does: their middles are a radius further in.
  const middles = (rM: number) => ({
    from: Math.min(axisM, body.from + rM),
    to: Math.max(axisM, body.to - rM),
  });
  if (
    placementOf(piece, schools).balloons.some(
      (ball) => intrusion(zone, ball, ball.rM, middles(ball.rM)) > TOUCH_M,
    )
  )
    return [says('it hangs or stands')];
  const box = keptClear(zone);
  if (basesOf(held).some((base) => overlapOf(base, box) > TOUCH_M)) return [says('a base of it stands')];
  const isCrossed = held.tieLines.some(({ fromXYM, toXM, fromOutM, toOutM }) =>
    crosses({ x: fromXYM.xM, y: fromXYM.yM, z: fromOutM }, { x: toXM, y: 0, z: toOutM }, box),
  );
  return isCrossed ? [says('a tie line of it runs')] : [];
}

const basesOf = ({ ground }: HoldPiece): Box[] =>
  ground
    .filter(({ what }) => what === 'base')
    .map(({ xM, outM, widthM, depthM, fromM }) => ({
      from: { x: xM, y: fromM, z: outM },
      to: { x: xM + widthM, y: fromM + BASE_M, z: outM + depthM },
    }));

/** Stakes that would have to be behind the wall, and whatever stands beyond the front edge of the floor. */
function beyondTheFloor(
  piece: Piece,
  held: HoldPiece,
  { kind, name, depthM }: Spot,
  { workshop: { units } }: JobFile,
  isOutdoors: boolean,
): string[] {
  const long = (metres: number) => formatLength(metres, units);
  const behindM = behindTheWallM(held, kind, isOutdoors);
  const behind =
    behindM > TOUCH_M
      ? [
          `${piece.name}: its back lines would end ${long(behindM)} behind ${name}; it has to stand ${long(behindM)} further out.`,
        ]
      : [];
  const stakesM = held.tieLines.map(({ toOutM }) => toOutM);
  const frontM = Math.max(0, ...stakesM, ...held.ground.map((one) => one.outM + one.depthM));
  const beyondM = depthM === undefined ? 0 : frontM - depthM;
  const beyond =
    beyondM > TOUCH_M
      ? [
          `${piece.name}: with its bases and lines it reaches ${long(beyondM)} beyond the floor of ${name}, which is ${long(depthM as number)} deep.`,
        ]
      : [];
  return [...behind, ...beyond];
}

/** How far the stakes of its back lines would be behind a wall, m. Indoors a line goes to a fixed point, the wall among them. */
export function behindTheWallM({ tieLines }: HoldPiece, kind: Spot['kind'], isOutdoors: boolean): number {
  if (!isOutdoors || !isSolidBehind(kind)) return 0;
  return -Math.min(0, ...tieLines.map(({ toOutM }) => toOutM));
}
