import type { HoldPiece, JobFile, Piece, Point, Spot } from '@early-lantern/contract';
import { bestMethod, hookFor, type Place } from '../fixing/methods.ts';
import { placeOnPart } from '../fixing/on-parts.ts';
import { placeAt } from '../fixing/place.ts';
import { attachedKg } from '../piece/attachments.ts';
import { uponOf } from '../piece/kinds.ts';
import type { Ends, Upon } from '../piece/upon.ts';
import { GRAVITY } from '../quantity/force.ts';
import { formatLength } from '../quantity/length.ts';
import { carryingOf, distanceTo } from '../support/parts.ts';
import { DERIVED, working } from '../working.ts';
import { blank } from './blank-piece.ts';
import { rulesOf } from './gust-at.ts';
import { type CarriedLoad, carriedWorking } from './handed-down.ts';
import type { PieceMass } from './mass.ts';
import { factorAt } from './standing.ts';

/** So far from the part it says an end is not on it any more, m. From memory, an editable default. */
const END_REACH_M = 0.6;

/** Chains, banners and pair arches held at both ends, what hangs free from the place, and what is only set down. */
export function placedPiece(
  piece: Piece,
  spot: Spot,
  mass: PieceMass,
  file: JobFile,
  carried: readonly CarriedLoad[],
): HoldPiece {
  const { floats, ends, hangsAt } = uponOf(piece);
  if (floats) return floatingPiece(piece, floats, mass);
  if (ends) return betweenEnds(piece, ends, spot, mass, file, carried);
  const allKg = mass.dressingKg + mass.gearKg + attachedKg(piece);
  return hangsAt ? onePoint(piece, hangsAt, spot, allKg, file) : blank(piece, 'set down', allKg);
}

/** Each on a fixing of the place, if it has one there; else it hangs on nothing. */
function onePoint(piece: Piece, at: Point, spot: Spot, allKg: number, file: JobFile): HoldPiece {
  const { things } = uponOf(piece);
  const place = placeAt(spot, file.site, at);
  const best = bestMethod(place, file.workshop);
  if (!best)
    return {
      ...blank(piece, 'nothing yet', allKg),
      troubles: [`${piece.name}: it hangs on nothing there; choose what carries it under Hangs on.`],
    };
  const loadN = (allKg / things) * GRAVITY;
  const { hookFactor } = rulesOf(file);
  const hook = hookFor(best.method, place, file.workshop, hookFactor, loadN);
  const { ratingN } = hook ?? best;
  const factor = Math.min(99, ratingN / Math.max(1e-9, loadN));
  return {
    ...blank(piece, 'a fixing for each', allKg),
    safetyFactor: factor,
    required: hookFactor,
    governing: 'the fixing of one',
    points: Array.from({ length: things }, (_, i) => ({
      id: `at-${i + 1}`,
      spotXYM: at,
      at: things > 1 ? i / (things - 1) : 0.5,
      section: 0,
      method: best.method,
      ...(hook ? { hook: { id: hook.id, name: hook.name } } : {}),
      surface: place.surface,
      ...(place.fixingId ? { fixing: place.fixingId } : {}),
      loadN,
      windNPerPa: 0,
      ratingN,
      factor,
      isLocked: false,
    })),
  };
}

/** A line between two ends, each on a part of a piece, a weighted foot, or a fixing of the place. */
function betweenEnds(
  piece: Piece,
  ends: Ends,
  spot: Spot,
  mass: PieceMass,
  file: JobFile,
  carried: readonly CarriedLoad[],
): HoldPiece {
  const rules = rulesOf(file);
  const allKg = mass.dressingKg + attachedKg(piece) + carried.reduce((sum, { massKg }) => sum + massKg, 0);
  const weightN = allKg * GRAVITY;
  const spanM = Math.hypot(ends.to.xM - ends.from.xM, ends.to.yM - ends.from.yM);
  // A shallow line: half the weight down, w · L² / (8 · sag) along it.
  const alongN = (weightN * spanM) / (8 * Math.max(0.05 * spanM, ends.sagM)) + ends.stringN;
  const loadN = Math.hypot(weightN / 2, alongN);
  const held = (['from', 'to'] as const).map((end) => heldEnd(piece, end, ends, loadN, spot, file));
  const points = held.flatMap(({ point }) => point ?? []);
  const factor = points.length ? Math.min(...points.map((point) => point.factor)) : null;
  return {
    ...blank(piece, [...new Set(held.map(({ on }) => `tied to ${on}`))].join(', and '), allKg),
    safetyFactor: factor,
    required: factor === null ? null : rules.hookFactor,
    governing: factor === null ? '' : 'the pull at its ends',
    points,
    troubles: held.flatMap(({ trouble }) => trouble ?? []),
    working: [
      ...mass.working,
      ...carriedWorking(carried),
      working(
        'Pull at an end',
        '√((W/2)² + (W · span / (8 · sag) + string)²)',
        [
          ['W', weightN, 'N'],
          ['span', spanM, 'm'],
          ['sag', ends.sagM, 'm'],
          ['string drawn tight', ends.stringN, 'N'],
        ],
        { value: loadN, unit: 'N' },
        `parabola for the catenary of a shallow line: ${DERIVED}`,
      ),
    ],
  };
}

interface Held {
  /** In words. */
  on: string;
  point?: HoldPiece['points'][number];
  trouble?: string;
}

/** What holds one end: the part it says, its own weighted foot, else the best that the place has within reach. */
function heldEnd(
  piece: Piece,
  end: 'from' | 'to',
  ends: Ends,
  loadN: number,
  spot: Spot,
  file: JobFile,
): Held {
  const { workshop, site, job } = file;
  const at = ends[end];
  const side = end === 'from' ? 'left' : 'right';
  const said = end === 'from' ? piece.on : piece.alsoOn;
  const carrying = carryingOf(said, job.pieces);
  if (said && !carrying)
    return {
      on: 'nothing yet',
      trouble: `${piece.name}: what its ${side} end should hang on has no such part.`,
    };
  if (!carrying && ends.feet.includes(end)) return { on: 'a weighted foot' };
  const place: Place & { fixingId?: string } = carrying
    ? placeOnPart(carrying.part.made, spot, file)
    : placeAt(spot, site, at);
  // A tight arch stands between two carriers; a wall's hooks are not made for its pull.
  const best = carrying || !ends.onFixedOnly || place.fixingId ? bestMethod(place, workshop) : undefined;
  const hook = best && hookFor(best.method, place, workshop, rulesOf(file).hookFactor, loadN);
  const ratingN =
    (hook?.ratingN ?? best?.ratingN ?? 0) * (carrying?.part.made === 'balloons' ? ends.balloonsRound : 1);
  const words = carrying ? `the ${carrying.part.label} of ${carrying.carrier.name}` : 'a fixing of the place';
  const away = carrying ? distanceTo(carrying.part, { x: at.xM, y: at.yM }) : 0;
  if (!best || away > END_REACH_M)
    return {
      on: 'nothing yet',
      trouble: best
        ? `${piece.name}: its ${side} end is ${formatLength(away, workshop.units)} away from ${words}.`
        : `${piece.name}: its ${side} end has nothing to hang on; choose a tower, a fixing or a weighted foot.`,
    };
  return {
    on: words,
    point: {
      id: end,
      spotXYM: at,
      at: end === 'from' ? 0 : 1,
      section: 0,
      method: best.method,
      ...(hook ? { hook: { id: hook.id, name: hook.name } } : {}),
      surface: place.surface,
      ...(place.fixingId ? { fixing: place.fixingId } : {}),
      ...(said ? { on: said } : {}),
      loadN,
      windNPerPa: 0,
      ratingN,
      factor: Math.min(99, ratingN / Math.max(1e-9, loadN)),
      isLocked: false,
    },
  };
}

/** A weight must hold down what floats: twice the lift. */
function floatingPiece(
  piece: Piece,
  { netG, weightG }: NonNullable<Upon['floats']>,
  mass: PieceMass,
): HoldPiece {
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
