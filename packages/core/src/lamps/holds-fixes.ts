import type {
  BaseId,
  Change,
  Fix,
  HoldPiece,
  Holds,
  JobFile,
  MethodId,
  Piece,
  PieceOf,
  PipeId,
} from '@early-lantern/contract';
import { formatWind } from '../air/wind.ts';
import { methodOf } from '../fixing/methods.ts';
import { isGarland, uponOf } from '../piece/kinds.ts';
import type { Ends } from '../piece/upon.ts';
import { formatLength, type LengthUnits } from '../quantity/length.ts';
import { baseOf, bases } from '../structure/bases.ts';
import { pipeOf } from '../structure/pipes.ts';
import { distanceTo } from '../support/parts.ts';
import { placesFor, proposalsFor } from '../support/propose.ts';
import { hungOn, laidAlong } from '../support/snap.ts';
import { LOW_MARGIN, marginOf, surveyed } from './holds.ts';
import { type Attempt, ownStand, reachFixes } from './reach-fixes.ts';
import { outOfTheWay, riskCount, standingApart, withRoomBehind } from './room-fixes.ts';

const MOST_FIXES = 3;

/**
 * Ways out of *Holds* that were tried on the piece that stands worst: lines, a heavier base, both, a lower arch,
 * one more point, another way of fixing, another section, a pick moved, a locked point let go. Each leaves that piece
 * with its factor and without trouble.
 * @param holdsOfFile what carries the pieces of a changed file
 */
export function holdsFixes(file: JobFile, holds: Holds, holdsOfFile: (file: JobFile) => Holds): Fix[] {
  const worst = worstOf(surveyed(holds));
  if (!worst) return [];
  const index = file.job.pieces.findIndex((piece) => piece.id === worst.id);
  const piece = file.job.pieces[index];
  if (!piece) return [];
  // What holds with little to spare is worth a change only if that gives it more.
  const wanted = isSound(worst) ? LOW_MARGIN : 1 - 1e-9;
  const isOut = worst.troubles.length > 0 || marginOf(worst) < 1 - 1e-9;
  const fixes: Fix[] = [];
  /** What at least holds, though one thing that goes wrong would bring it down: told where nothing better was found. */
  const risky: Fix[] = [];
  const families = [
    standingApart(file, piece, holds, index),
    outOfTheWay(file, piece, worst, index),
    ...familiesOf(file, piece, worst, index),
  ];
  for (const family of families) {
    for (const attempt of family) {
      const { after, risks, ...tried } = withRoomBehind(attempt, file, piece, index, holdsOfFile);
      if (tried.changes.length === 0) continue;
      if (!after || after.troubles.length > 0 || marginOf(after) < wanted) continue;
      const fix = { ...tried, gain: gainOf(after, file) };
      // Where nothing fails, one risk fewer is a way forward even if another stays.
      const isBetter = !isOut && risks < riskCount(holds.pieces);
      if (after.risks.length > 0 && !isBetter) {
        if (risky.length < MOST_FIXES) risky.push(fix);
        continue;
      }
      fixes.push(fix);
      break;
    }
    if (fixes.length === MOST_FIXES) break;
  }
  return [...fixes, ...(isOut ? risky : [])].slice(0, MOST_FIXES);
}

const isSound = (held: HoldPiece) =>
  marginOf(held) >= 1 - 1e-9 && held.troubles.length + held.risks.length === 0;

/** The piece furthest below its factor, else the first in trouble, at risk, or with little to spare. */
function worstOf(pieces: readonly HoldPiece[]): HoldPiece | undefined {
  const byMargin = [...pieces].sort((a, b) => marginOf(a) - marginOf(b));
  return (
    byMargin.find((one) => marginOf(one) < 1 - 1e-9) ??
    pieces.find((one) => one.troubles.length > 0) ??
    pieces.find((one) => one.risks.length > 0) ??
    byMargin.find((one) => marginOf(one) < LOW_MARGIN)
  );
}

function gainOf({ safetyFactor, takeDownGustMs, isOutdoors }: HoldPiece, { workshop }: JobFile): string {
  const factor = safetyFactor === null ? 'holds' : `safety factor ${Math.min(99, safetyFactor).toFixed(1)}`;
  return takeDownGustMs === null || !isOutdoors
    ? factor
    : `${factor}, take down at ${formatWind(takeDownGustMs, workshop.units)}`;
}

function familiesOf(file: JobFile, piece: Piece, held: HoldPiece, index: number): Attempt[][] {
  const hold = piece.hold ?? {};
  const at = (more: Record<string, unknown>) => [
    { path: `/job/pieces/${index}/hold`, value: { ...hold, ...more } as Change['value'] },
  ];
  const rehung = rehangings(file, piece, index);
  const isTooHigh = held.points.some(({ trouble }) => trouble?.includes('ladder'));
  const reach = isTooHigh ? reachFixes(file, piece, index) : [];
  if (held.points.length > 0 || isGarland(piece))
    return [rehung, ...reach, ...hangingFamilies(piece, held, index, at), ownStand(file, piece, index)];
  const lines = [2, 4, 6, 8].filter((count) => count > (hold.tieLines ?? 0));
  const current = hold.base;
  const heavier = bases
    .filter(({ id }) => id !== 'clamps' && id !== 'wood-block' && id !== current)
    .sort((a, b) => a.massKg - b.massKg);
  const { ballastKg: _, ...free } = hold;
  const withBase = (base: BaseId, more: Record<string, unknown> = {}) => [
    { path: `/job/pieces/${index}/hold`, value: { ...free, base, ...more } as Change['value'] },
  ];
  return [
    rehung,
    lines.map((count) => ({ label: `${piece.name}: ${count} tie lines`, changes: at({ tieLines: count }) })),
    ...(piece.kind === 'packed-arch' ? archFamilies(piece, index, at, file.workshop.units) : []),
    hold.ballastKg === undefined
      ? []
      : [
          {
            label: `${piece.name}: as much ballast as it takes`,
            changes: [{ path: `/job/pieces/${index}/hold`, value: free as Change['value'] }],
          },
        ],
    (piece.kind === 'table-arch' ? [] : heavier).map(({ id }) => ({
      label: `${piece.name}: on a ${baseOf(id).label}`,
      changes: withBase(id),
    })),
    (piece.kind === 'table-arch' ? [] : lines).map((count) => ({
      label: `${piece.name}: heavy plate and ${count} tie lines`,
      changes: withBase('plate-2ft', { tieLines: count }),
    })),
    piece.kind === 'packed-arch' || piece.kind === 'table-arch'
      ? lowerings(piece, index, file.workshop.units)
      : [],
    attachmentMoves(piece, index),
  ];
}

/** A bent arch in the wind: lines at its shoulders, thicker pipe, and that formed beforehand where it is conduit. */
function archFamilies(
  piece: PieceOf<'packed-arch'>,
  index: number,
  at: (more: Record<string, unknown>) => Change[],
  units: LengthUnits,
): Attempt[][] {
  const { name, hold = {} } = piece;
  const count = Math.max(4, hold.tieLines ?? 0);
  const shoulders = at({ tieLines: count, tiedAt: 'shoulders' });
  const set = (key: string, value: Change['value']) => ({ path: `/job/pieces/${index}/${key}`, value });
  const thicker = THICKER[piece.pipe] ?? [];
  const onPipe = (pipe: PipeId) => [
    set('pipe', pipe),
    ...(isSteel(pipe) && !piece.isFormed ? [set('isFormed', true)] : []),
  ];
  const pipeLabel = (pipe: PipeId) => `${pipeOf(pipe).label}${isSteel(pipe) ? ' bent beforehand' : ''}`;
  const atShoulders = `${count} lines at its shoulders`;
  return [
    isSteel(piece.pipe) && !piece.isFormed
      ? [{ label: `${name}: have the conduit bent to shape beforehand`, changes: [set('isFormed', true)] }]
      : [],
    [{ label: `${name}: ${atShoulders}`, changes: shoulders }],
    thicker.map((pipe) => ({ label: `${name}: on ${pipeLabel(pipe)}`, changes: onPipe(pipe) })),
    [...thicker, piece.pipe].flatMap((pipe) => [
      {
        label: `${name}: on ${pipeLabel(pipe)}, with ${atShoulders}`,
        changes: [...onPipe(pipe), ...shoulders],
      },
    ]),
    [piece.pipe, ...thicker].flatMap((pipe) =>
      lowerings(piece, index, units).map((lower) => ({
        label: `${lower.label}, on ${pipeLabel(pipe)}, with ${atShoulders}`,
        changes: [...lower.changes, ...onPipe(pipe), ...shoulders],
      })),
    ),
  ];
}

/** What to try where a pipe is too soft, the least change first. */
const THICKER: Partial<Record<PipeId, PipeId[]>> = {
  'pvc-half': ['pvc-three-quarter', 'pvc-one', 'emt-half', 'emt-three-quarter'],
  'pvc-three-quarter': ['pvc-one', 'emt-half', 'emt-three-quarter'],
  'pvc-one': ['emt-half', 'emt-three-quarter'],
  'emt-half': ['emt-three-quarter', 'pvc-one'],
  'emt-three-quarter': ['pvc-one'],
};
const isSteel = (pipe: PipeId) => pipe.startsWith('emt');

/** Shorter pipe or poles on the same span: the arch is lower, and the wind has less of it. */
function lowerings(
  piece: Extract<Piece, { kind: 'packed-arch' | 'table-arch' }>,
  index: number,
  units: LengthUnits,
): Attempt[] {
  const [key, whole, of] =
    piece.kind === 'packed-arch'
      ? ['pipeLengthM', piece.pipeLengthM, 'pipe']
      : ['poleLengthM', piece.poleLengthM, 'poles'];
  return [0.9, 0.8, 0.7, 0.6]
    .map((share) => Number((whole * share).toFixed(3)))
    .filter((lengthM) => piece.spanM / lengthM < 2 / Math.PI)
    .map((lengthM) => ({
      label: `${piece.name}: lower, on ${formatLength(lengthM, units)} of ${of}`,
      changes: [{ path: `/job/pieces/${index}/${key}`, value: lengthM }],
    }));
}

function hangingFamilies(
  piece: Piece,
  held: HoldPiece,
  index: number,
  at: (more: Record<string, unknown>) => Change[],
): Attempt[][] {
  const points = piece.hold?.points ?? [];
  const sections = isGarland(piece) ? (piece.sections ?? 1) : 1;
  return [
    points.map((gone) => ({
      label: `${piece.name}: let the engine place the point locked at ${Math.round(gone.at * 100)} %`,
      changes: at({ points: points.filter((one) => one !== gone) }),
    })),
    refused(piece, held, at),
    besides(piece, held, at),
    points.length > 1
      ? [{ label: `${piece.name}: let the engine place all points`, changes: at({ points: [] }) }]
      : [],
    isGarland(piece)
      ? [1, 2, 3]
          .map((more) => sections + more)
          .filter((count) => count <= 12)
          .map((count) => ({
            label: `${piece.name}: split into ${count} sections`,
            changes: [{ path: `/job/pieces/${index}/sections`, value: count }],
          }))
      : [],
    attachmentMoves(piece, index),
  ];
}

/** Something attached moved along, a little first. */
function attachmentMoves(piece: Piece, index: number): Attempt[] {
  const { attachments = [] } = piece;
  return attachments.flatMap((one, i) =>
    [-0.1, 0.1, -0.2, 0.2]
      .map((by) => Number((one.at + by).toFixed(3)))
      .filter((to) => to >= 0 && to <= 1)
      .map((to) => ({
        label: `${piece.name}: move ${one.name} to ${Math.round(to * 100)} % of its length`,
        changes: [{ path: `/job/pieces/${index}/attachments/${i}/at`, value: to }],
      })),
  );
}

/** Hung on what it lies on or what is near by: a piece whose carrier is not said, or that does not reach it. */
function rehangings(file: JobFile, piece: Piece, index: number): Attempt[] {
  const { pieces } = file.job;
  const change = (hung: Piece): Change[] => [
    { path: `/job/pieces/${index}`, value: hung as Change['value'] },
  ];
  const { ends } = uponOf(piece);
  if (ends?.setAt !== undefined) return endRehangings(file, piece, ends, change);
  const near = proposalsFor(piece, pieces);
  const named = piece.on
    ? placesFor(piece, pieces).filter(({ carrier }) => carrier.id === piece.on?.pieceId)
    : [];
  const seen = new Set<string>();
  return [...near, ...named].flatMap(({ carrier, part }) => {
    const key = `${carrier.id}/${part.id}`;
    if (seen.has(key)) return [];
    seen.add(key);
    const on = { pieceId: carrier.id, part: part.id };
    const hung = hungOn(piece, 'on', on, pieces);
    const laid = laidAlong(hung, part);
    const where = `the ${part.label} of ${carrier.name}`;
    const long = laid && formatLength(laid.lengthM, file.workshop.units);
    return [
      { label: `${piece.name}: hang it on ${where}`, changes: change(hung) },
      ...(laid
        ? [{ label: `${piece.name}: lay it along ${where}, ${long} of it`, changes: change(laid.piece) }]
        : []),
    ];
  });
}

/** Both ends moved to what stands nearest to each: towers and columns first. */
function endRehangings(
  file: JobFile,
  piece: Piece,
  { from, to }: Ends,
  change: (hung: Piece) => Change[],
): Attempt[] {
  const { pieces } = file.job;
  const places = placesFor(piece, pieces);
  const nearestTo = (at: { x: number; y: number }, other?: string) =>
    places
      .filter(({ carrier }) => carrier.id !== other)
      .map((place) => ({
        place,
        away: distanceTo(place.part, at) + (place.part.made === 'balloons' ? 0 : 0.5),
      }))
      .sort((a, b) => a.away - b.away)[0]?.place;
  const left = nearestTo({ x: from.xM, y: from.yM });
  const right = nearestTo({ x: to.xM, y: to.yM }, left?.carrier.id);
  if (!left || !right) return [];
  const [a, b] = from.xM <= to.xM ? [left, right] : [right, left];
  const first = hungOn(piece, 'on', { pieceId: a.carrier.id, part: a.part.id }, pieces);
  const both = hungOn(first, 'alsoOn', { pieceId: b.carrier.id, part: b.part.id }, pieces);
  return [
    {
      label: `${piece.name}: move its ends to ${a.carrier.name} and ${b.carrier.name}`,
      changes: change(both),
    },
  ];
}

/** Points placed by hand whose method the place refuses: the best that it allows instead. */
function refused(piece: Piece, held: HoldPiece, at: (more: Record<string, unknown>) => Change[]): Attempt[] {
  const points = piece.hold?.points ?? [];
  const wrong = new Set(held.points.filter(({ trouble }) => trouble).map(({ id }) => id));
  const changed = points.filter(({ id, method }) => method && wrong.has(id));
  if (changed.length === 0) return [];
  return [
    {
      label: `${piece.name}: another way of fixing where ${changed.length === 1 ? `a ${methodOf(changed[0]?.method as MethodId).label} is` : 'those chosen are'} refused`,
      changes: at({
        points: points.map(({ id, at, method }) =>
          wrong.has(id) || !method ? { id, at } : { id, at, method },
        ),
      }),
    },
  ];
}

/** One more point half-way between two neighbours, those that bear most first; or one in every gap. */
function besides(piece: Piece, held: HoldPiece, at: (more: Record<string, unknown>) => Change[]): Attempt[] {
  const points = piece.hold?.points ?? [];
  const byLoad = held.points
    .map((point, i) => ({ point, next: held.points[i + 1] }))
    .sort((a, b) => a.point.factor - b.point.factor);
  const add = (place: number): Attempt => ({
    label: `${piece.name}: one more point at ${Math.round(place * 100)} % of its length`,
    changes: at({
      points: [...points, { id: moreId(place), at: Number(place.toFixed(4)) }],
    }),
  });
  const between = byLoad.flatMap(({ point, next }) =>
    next && next.section === point.section ? [{ at: (point.at + next.at) / 2 }] : [],
  );
  // Where every point is the only one to hold its stretch, one more is not enough: one in every gap.
  const all: Attempt = {
    label: `${piece.name}: a point in every gap, ${2 * held.points.length - 1} in all`,
    changes: at({
      points: [...held.points, ...between.map(({ at: place }) => ({ id: moreId(place), at: place }))]
        .map(({ id, at: place }) => ({ id, at: Number(place.toFixed(4)) }))
        .sort((a, b) => a.at - b.at),
    }),
  };
  return [...between.map(({ at: place }) => add(place)), ...(held.points.length ? [all] : [])];
}

const moreId = (place: number) => `more-${Math.round(place * 1000)}`;
