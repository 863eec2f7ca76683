import type { HoldPiece, JobFile, Piece, Spot } from '@early-lantern/contract';
import { bestMethod } from '../fixing/methods.ts';
import { placeAt } from '../fixing/place.ts';
import { lookLift } from '../piece/helium-look.ts';
import { DERIVED, working } from '../working.ts';
import { blank } from './blank-piece.ts';
import { rulesOf } from './gust-at.ts';
import type { PieceMass } from './mass.ts';
import { factorAt, GRAVITY } from './standing.ts';

/** Chains, banners and pair arches tied at both ends, and what is only set down. */
export function placedPiece(piece: Piece, spot: Spot, mass: PieceMass, file: JobFile): HoldPiece {
  const rules = rulesOf(file);
  if (piece.kind === 'accent' && piece.look.what === 'helium') return heliumPiece(piece, mass);
  const ends = endsOf(piece);
  if (!ends) return blank(piece, 'set down or tied to what stands', mass.dressingKg + mass.gearKg);
  const weightN = mass.dressingKg * GRAVITY;
  const spanM = Math.hypot(ends.to.xM - ends.from.xM, ends.to.yM - ends.from.yM);
  // A shallow line: half the weight down, w · L² / (8 · sag) along it.
  const alongN = (weightN * spanM) / (8 * Math.max(0.05 * spanM, ends.sagM));
  const loadN = Math.hypot(weightN / 2, alongN);
  const points = (['from', 'to'] as const).flatMap((end, i): HoldPiece['points'] => {
    const at = ends[end];
    const place = placeAt(spot, file.site, at, false);
    const best = bestMethod(place, file.workshop.ratingsN);
    if (!best) return [];
    const { fixingId } = place;
    return [
      {
        id: end,
        spotXYM: at,
        at: i,
        section: 0,
        method: best.method,
        surface: place.surface,
        ...(fixingId ? { fixing: fixingId } : {}),
        loadN,
        windNPerPa: 0,
        ratingN: best.ratingN,
        factor: Math.min(99, best.ratingN / Math.max(1e-9, loadN)),
        isLocked: false,
      },
    ];
  });
  const factor = points.length ? Math.min(...points.map((point) => point.factor)) : null;
  const onOwn = ends.onOwn;
  return {
    ...blank(piece, onOwn ?? 'a line between two ends', mass.dressingKg),
    safetyFactor: onOwn ? null : factor,
    required: onOwn ? null : rules.hookFactor,
    governing: onOwn ? '' : 'the pull at its ends',
    points: onOwn ? [] : points,
    troubles:
      onOwn || points.length === 2
        ? []
        : [`${piece.name}: ${points.length ? 'one end has' : 'its ends have'} nothing allowed to tie to.`],
    working: [
      ...mass.working,
      working(
        'Pull at an end',
        '√((W/2)² + (W · span / (8 · sag))²)',
        [
          ['W', weightN, 'N'],
          ['span', spanM, 'm'],
          ['sag', ends.sagM, 'm'],
        ],
        { value: loadN, unit: 'N' },
        `parabola for the catenary of a shallow line: ${DERIVED}`,
      ),
    ],
  };
}

function endsOf(piece: Piece) {
  switch (piece.kind) {
    case 'chain':
      return {
        from: piece.from,
        to: piece.to,
        sagM: piece.sagM,
        onOwn: piece.bases >= 2 ? 'tied to small weighted bases' : undefined,
      };
    case 'banner': {
      const half = (piece.text.length * piece.pitchM) / 2;
      return {
        from: { xM: piece.at.xM - half, yM: piece.at.yM },
        to: { xM: piece.at.xM + half, yM: piece.at.yM },
        sagM: 0.1,
        onOwn: undefined,
      };
    }
    case 'pair-arch':
      return {
        from: { xM: piece.at.xM - piece.spanM / 2, yM: piece.at.yM },
        to: { xM: piece.at.xM + piece.spanM / 2, yM: piece.at.yM },
        sagM: 0.3,
        onOwn: 'a tight string between its towers, which it pulls inward',
      };
    default:
      return undefined;
  }
}

/** A weight must hold down what floats: twice the lift. */
function heliumPiece(piece: Extract<Piece, { kind: 'accent' }>, mass: PieceMass): HoldPiece {
  if (piece.look.what !== 'helium') return blank(piece, 'set down', mass.dressingKg);
  const { weightG } = piece.look;
  const { netG } = lookLift(piece.look);
  const one = {
    label: 'lifts its weight',
    resists: (weightG / 1000) * GRAVITY,
    pushes: (Math.max(0, netG) / 1000) * GRAVITY,
    perPa: 0,
    unit: 'N' as const,
    required: 2,
  };
  return {
    ...blank(piece, 'floats, tied to a weight', mass.dressingKg),
    safetyFactor: Math.min(99, factorAt(one, 0)),
    required: one.required,
    governing: one.label,
    cases: [one],
    working: mass.working,
  };
}
