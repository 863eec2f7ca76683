import type {
  BaseId,
  HoldPiece,
  HoldRules,
  Holds,
  JobFile,
  Piece,
  Spot,
  TieLine,
} from '@early-lantern/contract';
import { bouquetLift } from '../air/helium.ts';
import { beaufort, DOOR_GUST_MS, dynamicPressure, GUST_FACTOR, UNKNOWN_GUST_MS } from '../air/wind.ts';
import { hangGarland } from '../fixing/hanging.ts';
import { bestMethod } from '../fixing/methods.ts';
import { clearWords, intrusion, placeAt } from '../fixing/place.ts';
import { amounts } from '../materials/materials.ts';
import type { Recipe } from '../piece/recipe.ts';
import { pictureOf } from '../piece/recipe-of.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { ballastFor } from './ballast.ts';
import { baseOf } from './bases.ts';
import { type Carrier, carrierOf, frictionOn } from './carriers.ts';
import { jawFit } from './fits.ts';
import { massOf, type PieceMass } from './mass.ts';
import {
  factorAt,
  GRAVITY,
  governing,
  gustFor,
  type Standing,
  standingCases,
  type TieSet,
  tieTension,
  usualRules,
} from './standing.ts';

/** What a stake in grass and a fixed point indoors hold, N. From memory, editable defaults. */
const STAKE_N = 150;
const FIXED_POINT_N = 120;
/** Lines leave the piece at this share of its height, and reach out as far as this share of that. */
const TIE_AT = 0.9;
const TIE_REACH = 0.6;
/** Before the take-down gust: lower at 80 %, watch at 60 % of it. From memory, editable defaults. */
const LOWER_AT = 0.8;
const WATCH_AT = 0.6;
/** Ballast is found for this much over what is required. */
const LITTLE_MARGIN = 1.15;
/** Ballast is found in steps of this, kg. */
const BALLAST_STEP_KG = 0.5;

const rulesOf = ({ workshop }: JobFile): HoldRules => ({ ...usualRules, ...workshop.holdRules });

const isOutdoors = (spot: Spot, { site }: JobFile) => !(spot.indoors ?? site.indoors);

/** The gust that a spot is checked at, m/s, and where it comes from. */
function gustAt(spot: Spot, file: JobFile): { gustMs: number; source: string } {
  if (!isOutdoors(spot, file))
    return { gustMs: DOOR_GUST_MS, source: 'indoors: the draught of a door flung open' };
  const { gustMs } = file.job;
  const { words, share } =
    spot.openness === 'sheltered'
      ? { words: ', less in shelter', share: GUST_FACTOR.sheltered / GUST_FACTOR.open }
      : { words: '', share: 1 };
  if (gustMs !== undefined)
    return { gustMs: gustMs * share, source: `the strongest gust expected, as typed on the job${words}` };
  return {
    gustMs: UNKNOWN_GUST_MS * share,
    source: `no forecast looked at: the top of Beaufort 4 is assumed${words}`,
  };
}

/** Every piece with what carries or fixes it, in the order of the job. */
export function holdsOf(file: JobFile, recipes: readonly { piece: Piece; recipe: Recipe }[]): Holds {
  const outside = recipes
    .map(({ piece }) => spotOf(piece, file))
    .find((spot) => spot && isOutdoors(spot, file));
  const { gustMs, source } = outside
    ? gustAt(outside, file)
    : { gustMs: DOOR_GUST_MS, source: 'indoors: the draught of a door flung open' };
  return {
    gustMs,
    gustSource: source,
    pieces: recipes.map(({ piece, recipe }) => holdPiece(piece, recipe, file)),
  };
}

const spotOf = (piece: Piece, file: JobFile) => file.site.spots.find((one) => one.id === piece.spotId);

interface Known {
  asked: readonly unknown[];
  held: HoldPiece;
}
const known = new WeakMap<Piece, Known>();

/** One piece, worked out again only when it or what it asks of the job has changed. */
function holdPiece(piece: Piece, recipe: Recipe, file: JobFile): HoldPiece {
  const { site, workshop, job } = file;
  const arches = job.pieces.filter((one) => one.kind === 'pair-arch');
  const asked = [site, workshop, job.gustMs, ...job.crew, ...arches];
  const before = known.get(piece);
  if (before && before.asked.length === asked.length && before.asked.every((one, i) => one === asked[i]))
    return before.held;
  const held = holdAnew(piece, recipe, file);
  known.set(piece, { asked, held });
  return held;
}

/** Stands, hangs, or is only set down. */
function holdAnew(piece: Piece, recipe: Recipe, file: JobFile): HoldPiece {
  const spot = spotOf(piece, file);
  if (!spot) throw new RangeError(`"${piece.name}" has no spot "${piece.spotId}" at this site`);
  const mass = massOf(recipe);
  const carrier = carrierOf(piece, recipe, mass, file);
  const held = carrier
    ? standingPiece(piece, spot, carrier, mass, file)
    : piece.kind === 'organic-garland'
      ? hangingPiece(piece, spot, recipe, mass, file)
      : placedPiece(piece, spot, mass, file);
  return { ...held, troubles: [...inTheWay(piece, spot, file), ...held.troubles] };
}

const blank = (piece: Piece, carrier: string, massKg: number): HoldPiece => ({
  id: piece.id,
  name: piece.name,
  carrier,
  massKg,
  safetyFactor: null,
  required: null,
  governing: '',
  limitGustMs: null,
  takeDownGustMs: null,
  lowerGustMs: null,
  watchGustMs: null,
  ballastKg: [],
  weights: [],
  tieLines: [],
  cases: [],
  points: [],
  troubles: [],
  notes: [],
  working: [],
});

function standingPiece(
  piece: Piece,
  spot: Spot,
  carrier: Carrier,
  mass: PieceMass,
  file: JobFile,
): HoldPiece {
  const rules = rulesOf(file);
  const outdoors = isOutdoors(spot, file);
  const { gustMs, source } = gustAt(spot, file);
  const pressure = dynamicPressure(gustMs);
  const baseId: BaseId = piece.hold?.base ?? usualBase(carrier.base, outdoors);
  const base = baseOf(baseId);
  const lines = piece.hold?.tieLines ?? 0;
  const anchor = anchorAt(spot, file);
  const ties: TieSet | undefined =
    lines >= 2
      ? {
          perSide: Math.floor(lines / 2),
          heightM: TIE_AT * carrier.topM,
          reachM: Math.max(1, TIE_REACH * carrier.topM),
          anchorN: anchor.holdsN,
        }
      : undefined;
  const standing = (ballastKg: number): Standing => ({
    ...carrier,
    feet: carrier.feetXM.map((xM) => ({
      xM,
      massKg: base.massKg + ballastKg,
      widthM: base.widthM,
      depthM: base.widthM,
    })),
    friction: frictionOn(spot.floor),
    ties,
  });
  const holdsWith = (ballastKg: number) =>
    standingCases(standing(ballastKg), rules, outdoors).every(
      (one) => factorAt(one, pressure) >= one.required * LITTLE_MARGIN,
    );
  const wanted = piece.hold?.ballastKg ?? leastBallast(holdsWith, base.mostBallastKg);
  const feet = carrier.feetXM.length;
  // A workshop that has counted no weights is taken to find some.
  const owned = file.workshop.weights?.length ? file.workshop.weights : undefined;
  const set = owned ? ballastFor(wanted, owned, feet) : undefined;
  // Typed ballast counts as typed; found ballast is what the weights really come to.
  const ballastKg = piece.hold?.ballastKg ?? Math.min(base.mostBallastKg, set?.massKg ?? wanted);
  const cases = standingCases(standing(ballastKg), rules, outdoors);
  const worst = governing(cases, pressure);
  const takeDown = Math.min(...cases.map((one) => gustFor(one, one.required)));
  const limit = Math.min(...cases.map((one) => gustFor(one, 1)));
  const wind = (value: number) => (Number.isFinite(value) ? Number(value.toFixed(2)) : null);
  const factor = worst ? Math.min(99, factorAt(worst, pressure)) : null;
  return {
    ...blank(piece, `${carrier.label}, on ${feet > 1 ? `${feet} × ` : ''}${base.label}`, carrier.massKg),
    safetyFactor: factor,
    required: worst?.required ?? null,
    governing: worst?.label ?? '',
    limitGustMs: wind(limit),
    takeDownGustMs: wind(takeDown),
    lowerGustMs: wind(takeDown * LOWER_AT),
    watchGustMs: wind(takeDown * WATCH_AT),
    ballastKg: carrier.feetXM.map(() => Number(ballastKg.toFixed(2))),
    weights: set?.weights ?? [],
    tieLines: ties ? tieLinesOf(piece, carrier, ties, pressure, anchor.label) : [],
    cases,
    troubles: [
      ...carrier.troubles,
      ...(outdoors && lines < carrier.tiesByPractice
        ? [
            `${piece.name}: a large arch outdoors asks for ${carrier.tiesByPractice} tie lines at the top, two forward and two back.`,
          ]
        : []),
      ...(outdoors && baseId === 'lamp-base'
        ? [`${piece.name}: a lamp-type base is for indoors and light traffic; outdoors it takes a plate.`]
        : []),
      ...(piece.hold?.ballastKg !== undefined && piece.hold.ballastKg > base.mostBallastKg
        ? [`${piece.name}: no more than ${base.mostBallastKg} kg stack on the ${base.label}.`]
        : []),
      ...(owned && !set && wanted > 0
        ? [`${piece.name}: the workshop's weights do not make up ${wanted} kg on each base.`]
        : []),
    ],
    notes: carrier.notes,
    working: [
      ...mass.working,
      ...carrier.working,
      ...(worst ? [caseWorking(worst, gustMs, source)] : []),
      working(
        'Dynamic pressure',
        '½ · 1.225 kg/m³ · v²',
        [['v', gustMs, 'm/s']],
        { value: pressure, unit: 'Pa' },
        `${source}; density: ICAO Doc 7488; Beaufort ${beaufort(gustMs)}: WMO No. 8`,
      ),
      working(
        'Base',
        'its own mass and what is put on it',
        [
          ['base', base.massKg, 'kg'],
          ['ballast', ballastKg, 'kg'],
          ['footprint', base.widthM, 'm'],
        ],
        { value: base.massKg + ballastKg, unit: 'kg' },
        base.source,
      ),
    ],
  };
}

/** Outdoors what stands goes on a plate of 2 ft by 2 ft at least. Common practice, no source. */
const usualBase = (base: BaseId, outdoors: boolean): BaseId =>
  outdoors && (base === 'lamp-base' || base === 'small-plate') ? 'plate-2ft' : base;

/** The least ballast on each base that holds, in half kilograms; the most that goes on, where none does. */
function leastBallast(holdsWith: (ballastKg: number) => boolean, mostKg: number): number {
  const steps = Math.floor(mostKg / BALLAST_STEP_KG);
  if (!holdsWith(steps * BALLAST_STEP_KG)) return mostKg;
  // More ballast never lowers a factor, so halving finds the least.
  let [low, high] = [-1, steps];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holdsWith(middle * BALLAST_STEP_KG)) high = middle;
    else low = middle;
  }
  return high * BALLAST_STEP_KG;
}

/** What a line is tied down to. */
function anchorAt(spot: Spot, file: JobFile): { label: string; holdsN: number } {
  if (!isOutdoors(spot, file)) return { label: 'a fixed point of the house', holdsN: FIXED_POINT_N };
  if (spot.floor === 'grass' && !(file.site.forbids ?? []).includes('stakes'))
    return { label: 'a stake', holdsN: STAKE_N };
  return { label: 'a weight of 30 kg', holdsN: 30 * GRAVITY * frictionOn(spot.floor) };
}

function tieLinesOf(
  piece: Piece,
  carrier: Carrier,
  ties: TieSet,
  pressurePa: number,
  anchor: string,
): TieLine[] {
  // What overturns in the wind, taken at the height of the lines as if the bases held nothing back.
  const forceN = (carrier.dragFrontM2 * carrier.windHeightM * pressurePa) / ties.heightM;
  const tensionN = Number(tieTension(ties, forceN).toFixed(1));
  const middle = 'at' in piece ? piece.at : { xM: 0, yM: 0 };
  return (['front', 'back'] as const).flatMap((towards) =>
    Array.from({ length: ties.perSide }, (_, i) => ({
      towards,
      fromXYM: {
        xM: Number((middle.xM + (ties.perSide > 1 ? (i / (ties.perSide - 1) - 0.5) * 0.6 : 0)).toFixed(3)),
        yM: Number((middle.yM + ties.heightM).toFixed(3)),
      },
      reachM: Number(ties.reachM.toFixed(2)),
      tensionN,
      anchor,
    })),
  );
}

function caseWorking(one: HoldPiece['cases'][number], gustMs: number, source: string) {
  const pressure = dynamicPressure(gustMs);
  return working(
    `Factor: ${one.label}`,
    'resists / (pushes + wind per Pa · q)',
    [
      ['resists', one.resists, one.unit],
      ['pushes', one.pushes, one.unit],
      ['wind per Pa', one.perPa, `${one.unit}/Pa`],
      ['q', pressure, 'Pa'],
      ['required', one.required],
    ],
    { value: Math.min(99, factorAt(one, pressure)) },
    `statics; drag 1.2 on the dressed outline from memory; ${source}`,
  );
}

function hangingPiece(
  piece: Extract<Piece, { kind: 'organic-garland' }>,
  spot: Spot,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
): HoldPiece {
  const rules = rulesOf(file);
  const { gustMs, source } = gustAt(spot, file);
  const pressure = dynamicPressure(isOutdoors(spot, file) ? gustMs : 0);
  const hung = hangGarland(piece, spot, file, rules, recipe.sections.length, mass.dressingKg);
  const picksKg = (piece.hold?.picks ?? []).reduce((sum, { massKg }) => sum + massKg, 0);
  const points = hung.points.map((point) => {
    // Weight down and wind across meet at right angles.
    const loadN = Math.hypot(point.loadN, point.windNPerPa * pressure);
    return { ...point, factor: Math.min(99, point.ratingN / Math.max(1e-9, loadN)) };
  });
  const worst = points.reduce<(typeof points)[number] | undefined>(
    (a, b) => (a && a.factor <= b.factor ? a : b),
    undefined,
  );
  const gustAtFactor = (factor: number) =>
    Math.min(
      ...hung.points.map(({ ratingN, loadN, windNPerPa }) => {
        if (windNPerPa === 0) return Infinity;
        const across = (ratingN / factor) ** 2 - loadN ** 2;
        return across <= 0 ? 0 : Math.sqrt((2 * Math.sqrt(across)) / windNPerPa / 1.225);
      }),
    );
  const finite = (value: number) => (Number.isFinite(value) ? Number(value.toFixed(2)) : null);
  const takeDown = gustAtFactor(rules.hookFactor);
  return {
    ...blank(piece, hung.points.length ? 'points along its line' : 'nothing yet', mass.dressingKg + picksKg),
    safetyFactor: worst?.factor ?? null,
    required: rules.hookFactor,
    governing: worst ? 'the point that bears most for its rating' : '',
    limitGustMs: finite(gustAtFactor(1)),
    takeDownGustMs: finite(takeDown),
    lowerGustMs: finite(takeDown * LOWER_AT),
    watchGustMs: finite(takeDown * WATCH_AT),
    points,
    troubles: hung.troubles,
    notes: [
      ...hung.oneFails,
      ...(hung.isProven ? [] : ['Fewer points might do: not all choices were looked at.']),
    ],
    working: [
      ...mass.working,
      ...(worst
        ? [
            working(
              'Factor of the point that bears most',
              'rating / √(weight² + wind²); weight as a stiff beam or a limp string, whichever is more',
              [
                ['rating', worst.ratingN, 'N'],
                ['weight', worst.loadN, 'N'],
                ['wind', worst.windNPerPa * pressure, 'N'],
                ['required', rules.hookFactor],
              ],
              { value: worst.factor },
              `three-moment equations of Clapeyron; ${source}`,
            ),
          ]
        : []),
      working(
        'Points',
        'fewest that keep span, ends and load; three upright, about every 2 ft overhead',
        [['sections', recipe.sections.length]],
        { value: points.length, unit: 'points' },
        COMMON_PRACTICE,
      ),
    ],
  };
}

/** Chains, banners and pair arches tied at both ends, and what is only set down. */
function placedPiece(piece: Piece, spot: Spot, mass: PieceMass, file: JobFile): HoldPiece {
  const rules = rulesOf(file);
  if (piece.kind === 'accent' && piece.look.what === 'helium') return heliumPiece(piece, mass);
  if (piece.kind === 'table-arch') return clampedPiece(piece, mass);
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

/** Jaws of the kit's clamps, and a cloth's thickness, m. Common practice, no source; cloth from memory. */
const JAW_M = 0.0508;
const CLOTH_M = 0.0008;

/** A kit clamped to a table: the jaws must take its top, cloth and all. */
function clampedPiece(piece: Extract<Piece, { kind: 'table-arch' }>, mass: PieceMass): HoldPiece {
  const fit = jawFit(JAW_M, piece.tableThicknessM, CLOTH_M);
  return {
    ...blank(piece, 'kit of poles between two table clamps', mass.dressingKg + mass.gearKg),
    troubles:
      fit.verdict === 'does not go'
        ? [`${piece.name}: the table top with its cloth is thicker than the clamps open.`]
        : [],
    working: [
      ...mass.working,
      working(
        'Left in the jaw',
        'jaw − table top − cloth above and below',
        [
          ['jaw', JAW_M, 'm'],
          ['table top', piece.tableThicknessM, 'm'],
          ['cloth', CLOTH_M, 'm'],
        ],
        { value: fit.clearanceMm, unit: 'mm' },
        `jaws open to 2 in. at most: ${COMMON_PRACTICE}`,
      ),
    ],
  };
}

/** A weight must hold down what floats: twice the lift. */
function heliumPiece(piece: Extract<Piece, { kind: 'accent' }>, mass: PieceMass): HoldPiece {
  if (piece.look.what !== 'helium') return blank(piece, 'set down', mass.dressingKg);
  const { balloon, balloonsEach, ribbonM, weightG } = piece.look;
  const { netG } = bouquetLift({
    balloons: balloonsEach,
    diameterM: inchesToMetres(balloon.inflatedIn),
    nominalIn: balloon.nominalIn,
    ribbonM,
    ribbonGPerM: amounts.ribbonGPerM.value,
  });
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

/** Balloons in a zone that must stay clear. */
function inTheWay(piece: Piece, spot: Spot, file: JobFile): string[] {
  const zones = spot.keepClear ?? [];
  if (zones.length === 0) return [];
  const { balloons } = pictureOf(piece, file.workshop.schools);
  return zones.flatMap((zone) =>
    balloons.some((ball) => intrusion(zone, ball, ball.rM) > 0.03)
      ? [`${piece.name}: ${clearWords[zone.kind]}.`]
      : [],
  );
}
