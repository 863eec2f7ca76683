import type {
  BaseId,
  HoldCase,
  HoldPiece,
  JobFile,
  Piece,
  Spot,
  TieLine,
  Weight,
} from '@early-lantern/contract';
import { dynamicPressure, formatWind } from '../air/wind.ts';
import { basesOnGround, inDepth } from '../ground/in-depth.ts';
import { attachedKg, countOf } from '../piece/attachments.ts';
import { formatMass } from '../quantity/customary.ts';
import { weightItem } from '../stock/away.ts';
import { type Input, working } from '../working.ts';
import { anchorAt } from './anchors.ts';
import { type ArchAnswer, archAnswer } from './arch-cases.ts';
import { ballastFor } from './ballast.ts';
import { type Base, baseOf } from './bases.ts';
import { blank } from './blank-piece.ts';
import type { Carrier, OwnFeet } from './carrier.ts';
import { gustAt, gustLevels, isOutdoors, rulesOf } from './gust-at.ts';
import type { CarriedLoad } from './handed-down.ts';
import { withCarried } from './handed-down.ts';
import type { PieceMass } from './mass.ts';
import { misfitsOf } from './pipe-parts.ts';
import {
  factorAt,
  frictionOn,
  governing,
  gustFor,
  pushAt,
  type Standing,
  standingCases,
  type TieSet,
  tieForce,
  tieTension,
} from './standing.ts';
import { type TiePlace, tiePlaces } from './tie-lines.ts';

/** Lines reach out forward and back as far as this share of the piece's height. From memory, an editable default. */
const TIE_REACH = 0.6;
/** A line tied as high as this share of an arch is tied at its crown: lower, at its shoulders. */
const AT_CROWN = 0.99;
/** Ballast is found for this much over what is required. */
const LITTLE_MARGIN = 1.15;
/** Ballast is found in steps of this, kg. */
const BALLAST_STEP_KG = 0.5;

/** What stands: its ballast found or as typed, its lines, every way it could come down, and which governs. */
export function standingPiece(
  piece: Piece,
  spot: Spot,
  bare: Carrier,
  mass: PieceMass,
  file: JobFile,
  weights: readonly Weight[],
  carried: readonly CarriedLoad[],
): HoldPiece {
  const carrier = withCarried(withAttached(bare, piece), piece, carried);
  const rules = rulesOf(file);
  const outdoors = isOutdoors(spot, file);
  const { gustMs, source } = gustAt(spot, file);
  const pressure = dynamicPressure(gustMs);
  const baseId: BaseId = piece.hold?.base ?? usualBase(carrier.base, outdoors);
  const base = carrier.ownFeet ?? squareFeet(baseOf(baseId));
  const lines = piece.hold?.tieLines ?? 0;
  const anchor = anchorAt(spot, file);
  const { axisM } = inDepth(piece, file, base.depthM);
  const tied = lines >= 2 ? tiedFrom(piece, carrier, Math.floor(lines / 2), spot, axisM) : undefined;
  const ties: TieSet | undefined = tied && { ...tied.set, anchorN: anchor.holdsN };
  const standing = (ballastKg: number): Standing => ({
    ...carrier,
    feet: carrier.feetXM.map((xM) => ({
      xM,
      massKg: base.massKg + ballastKg,
      widthM: base.widthM,
      depthM: base.depthM,
    })),
    friction: frictionOn(spot.floor),
    ties,
  });
  const required = outdoors ? rules.outdoorFactor : rules.indoorFactor;
  const more = carrier.moreCases?.(ties, required) ?? [];
  const { bent } = carrier;
  const arch = bent && archAnswer(bent, carrier, ties, base, rules, required);
  const casesWith = (ballastKg: number) => [
    ...(arch?.casesWith(base.massKg + ballastKg) ?? []),
    ...standingCases(standing(ballastKg), rules, outdoors, !bent),
    ...more.map(({ one }) => one),
  ];
  // Ballast is not asked to mend what it does not: a pipe too soft, a line too thin.
  const helped = helpedByBallast(casesWith(0), casesWith(BALLAST_STEP_KG));
  const holdsWith = (ballastKg: number) =>
    casesWith(ballastKg).every(
      (one, i) => !helped[i] || factorAt(one, pressure) >= one.required * LITTLE_MARGIN,
    );
  const wanted = piece.hold?.ballastKg ?? leastBallast(holdsWith, base.mostBallastKg);
  const feet = carrier.feetXM.length;
  // A workshop that has counted no weights is taken to find some.
  const owned = file.workshop.weights?.length ? weights : undefined;
  const set = owned ? ballastFor(wanted, owned, feet) : undefined;
  // Typed ballast counts as typed; found ballast is what the weights really come to.
  const ballastKg = piece.hold?.ballastKg ?? Math.min(base.mostBallastKg, set?.massKg ?? wanted);
  const cases = casesWith(ballastKg);
  const worst = governing(cases, pressure);
  const takeDown = Math.min(...cases.map((one) => gustFor(one, one.required)));
  const limit = Math.min(...cases.map((one) => gustFor(one, 1)));
  const factor = worst ? Math.min(99, factorAt(worst, pressure)) : null;
  return {
    ...blank(piece, `${carrier.label}, on ${feet > 1 ? `${feet} × ` : ''}${base.label}`, carrier.massKg),
    safetyFactor: factor,
    required: worst?.required ?? null,
    governing: worst?.label ?? '',
    ...gustLevels(limit, takeDown),
    ...(carrier.ownFeet ? {} : { base: baseId }),
    ballastKg: carrier.feetXM.map(() => Number(ballastKg.toFixed(2))),
    weights: set?.weights ?? [],
    tieLines:
      tied && ties
        ? tieLinesOf(
            arch?.tensionN(pressure) ??
              tieTension(
                ties,
                leftForTies([{ one: cases[0] as HoldCase, tieArmM: ties.heightM }, ...more], ties, pressure),
              ),
            ties,
            tied.places,
            anchor.label,
            axisM,
          )
        : [],
    ground: carrier.ownFeet ? [] : basesOnGround(piece, carrier, base, axisM),
    cases,
    troubles: [
      ...carrier.troubles,
      ...misfitsOf(piece, file.workshop.units).map((misfit) => `${piece.name}: ${misfit}`),
      ...(outdoors && lines < carrier.tiesByPractice
        ? [
            `${piece.name}: a large arch outdoors needs ${carrier.tiesByPractice} tie lines at the top, two forward and two back.`,
          ]
        : []),
      ...(tied?.blocked
        ? [`${piece.name}: wherever its tie lines run, they cross what must stay clear.`]
        : []),
      ...(outdoors && baseId === 'lamp-base'
        ? [`${piece.name}: a lamp-type base is for indoors and light traffic; outdoors it takes a plate.`]
        : []),
      ...(piece.hold?.ballastKg !== undefined && piece.hold.ballastKg > base.mostBallastKg
        ? [
            `${piece.name}: no more than ${formatMass(base.mostBallastKg, file.workshop.units)} stack on the ${base.label}.`,
          ]
        : []),
      ...(owned && !set && wanted > 0
        ? [
            `${piece.name}: ${whichWeights(left(owned) < left(file.workshop.weights ?? []), file)} are not enough for ${formatMass(wanted, file.workshop.units)} on each base.`,
          ]
        : []),
    ],
    risks: arch ? bareRisks(piece.name, arch, base.massKg + ballastKg, pressure, file) : [],
    notes: [
      ...whyWeights(ballastKg, casesWith(0), helped, pressure, gustMs, outdoors, file),
      ...carrier.notes,
    ],
    working: [
      ...mass.working,
      ...carrier.working,
      ...(arch?.workingWith(base.massKg + ballastKg) ?? []),
      ...(worst ? [caseWorking(worst, gustMs, source)] : []),
      working(
        'Dynamic pressure',
        { metric: '½ · 1.225 · v², air of 1.225 kg/m³', imperial: '0.00256 · v², v in mph' },
        [['v', gustMs, 'm/s']],
        { value: pressure, unit: 'Pa' },
        `${source}; density: ICAO Doc 7488`,
      ),
      working(
        'Base',
        'base + ballast',
        [
          ['base', base.massKg, 'kg'],
          ['ballast', ballastKg, 'kg'],
          ['footprint', base.depthM, 'm'],
        ],
        { value: base.massKg + ballastKg, unit: 'kg' },
        base.source,
      ),
    ],
  };
}

/** With the florals, foils, plush and signs put on it, each pulling to where it sits. */
function withAttached(carrier: Carrier, piece: Piece): Carrier {
  const kg = attachedKg(piece);
  if (kg === 0) return carrier;
  const { pickX = () => 0 } = carrier;
  const leverKgM = (piece.attachments ?? []).reduce(
    (sum, one) => sum + countOf(one) * one.massKg * pickX(one.at),
    0,
  );
  const massKg = carrier.massKg + kg;
  return { ...carrier, massKg, xM: (carrier.massKg * carrier.xM + leverKgM) / massKg };
}

const squareFeet = (base: Base): OwnFeet => ({ ...base, depthM: base.widthM });

const left = (weights: readonly Weight[]) => weights.reduce((sum, { count }) => sum + count, 0);

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

/** Which cases get better with more ballast. */
const helpedByBallast = (without: readonly HoldCase[], withSome: readonly HoldCase[]): boolean[] =>
  without.map(({ resists }, i) => (withSome[i]?.resists ?? 0) > resists);

/** Where lines run, and what they make of it together: the lowest end and the furthest stake to the side count. */
function tiedFrom(piece: Piece, carrier: Carrier, perSide: number, spot: Spot, axisM: number) {
  const middle = 'at' in piece ? piece.at : { xM: 0, yM: 0 };
  const ends = (side: -1 | 1) =>
    carrier.tieEnds.map(({ xM, yM }) => ({ xM: middle.xM + side * xM, yM: middle.yM + yM }));
  const heightOf = ({ yM }: { yM: number }) => yM - middle.yM + (carrier.floorBelowM ?? 0);
  const reachFrom = (heightM: number) => Math.max(1, carrier.bent ? heightM : TIE_REACH * carrier.topM);
  const { places, blocked } = tiePlaces({ left: ends(-1), right: ends(1) }, perSide, spot, axisM, (from) =>
    reachFrom(heightOf(from)),
  );
  const heightM = Math.min(...places.map(({ from }) => heightOf(from)));
  const sideM = Math.max(...places.map(({ from, toXM }) => Math.abs(toXM - from.xM)));
  const reachM = reachFrom(heightM);
  const at =
    carrier.bent && heightM >= AT_CROWN * carrier.bent.riseM ? ('crown' as const) : ('shoulders' as const);
  const set = { perSide, heightM, reachM, sideM, ...(carrier.bent ? { at } : {}) };
  return { set, places, blocked };
}

/** What is left for the lines of one side to hold, N forward or back: the wind's moment less what holds without. */
function leftForTies(
  against: readonly { one: HoldCase; tieArmM: number }[],
  ties: TieSet,
  pressurePa: number,
): number {
  const left = against.map(({ one: { resists, pushes, perPa }, tieArmM }) =>
    tieArmM > 0 ? (pushes + perPa * pressurePa - (resists - tieForce(ties) * tieArmM)) / tieArmM : 0,
  );
  return Math.max(0, ...left);
}

function tieLinesOf(
  pullN: number,
  ties: TieSet,
  places: readonly TiePlace[],
  anchor: string,
  axisM: number,
): TieLine[] {
  const tensionN = Number(pullN.toFixed(1));
  const round = (metres: number) => Number(metres.toFixed(3));
  return (['front', 'back'] as const).flatMap((towards) =>
    places.map(({ from, toXM }) => ({
      towards,
      fromXYM: { xM: round(from.xM), yM: round(from.yM) },
      toXM: round(toXM),
      reachM: Number(ties.reachM.toFixed(2)),
      fromOutM: round(axisM),
      toOutM: round(axisM + (towards === 'front' ? ties.reachM : -ties.reachM)),
      tensionN,
      anchor,
    })),
  );
}

/** In a sentence, what would happen first without the weights. */
function whyWeights(
  ballastKg: number,
  without: readonly HoldCase[],
  helped: readonly boolean[],
  pressurePa: number,
  gustMs: number,
  isOut: boolean,
  { workshop }: JobFile,
): string[] {
  const worst = governing(
    without.filter((_, i) => helped[i]),
    pressurePa,
  );
  if (ballastKg <= 0 || !worst) return [];
  const what = worst.label.startsWith('its ') ? worst.label : `it ${worst.label}`;
  const when =
    isOut && (worst.perPa > 0 || worst.curve) ? ` in a gust of ${formatWind(gustMs, workshop.units)}` : '';
  return factorAt(worst, pressurePa) >= 1
    ? [`The weights give it room to spare: without them ${what} sooner than the house allows.`]
    : [`The weights are there because without them ${what}${when}.`];
}

/** Less than this is no wind, m/s. WMO No. 8: Beaufort 1 begins at 0.3. */
const STILL_MS = 0.3;

/** What a bare pipe would not hold, but one stiffened by its balloons does: nobody knows by how much they stiffen it. */
function bareRisks(
  name: string,
  arch: ArchAnswer,
  footKg: number,
  pressurePa: number,
  file: JobFile,
): string[] {
  const [bare, cases] = [arch.bareWith(footKg), arch.casesWith(footKg)];
  const worst = governing(bare, pressurePa);
  if (!worst || factorAt(worst, pressurePa) >= worst.required) return [];
  const upTo = (list: readonly HoldCase[]) => Math.min(...list.map((one) => gustFor(one, one.required)));
  const wind = (gustMs: number) => formatWind(gustMs, file.workshop.units);
  const alone = upTo(bare) < STILL_MS ? 'lies down in still air' : `${worst.label} above ${wind(upTo(bare))}`;
  return [
    `${name}: the bare pipe ${alone}. It stands to ${wind(upTo(cases))} only if its balloons make it ${rulesOf(file).packedStiffness} times as stiff, which nobody has measured. Take thicker pipe or a lower arch, or keep people away.`,
  ];
}

function caseWorking(one: HoldPiece['cases'][number], gustMs: number, source: string) {
  const pressure = dynamicPressure(gustMs);
  return working(
    `Factor: ${one.label}`,
    one.curve ? 'resists / pushes; these grow with q' : 'resists / (pushes + wind per Pa · q)',
    [
      ['resists', one.resists, one.unit],
      ['pushes', one.curve ? pushAt(one, pressure) : one.pushes, one.unit],
      ...(one.curve ? [] : [['wind per Pa', one.perPa, `${one.unit}/Pa`] satisfies Input]),
      ['q', pressure, 'Pa'],
      ['required', one.required],
    ],
    { value: Math.min(99, factorAt(one, pressure)) },
    `statics; drag 1.2 on the dressed outline from memory; ${source}`,
  );
}

/** Of which weights it is told that they are not enough for a base. */
function whichWeights(isPart: boolean, { workshop: { awayGear = [] } }: JobFile): string {
  if (!isPart) return "the workshop's weights";
  return awayGear.some(({ item }) => item?.startsWith(weightItem('')))
    ? 'the free weights at home'
    : 'the weights left over from the other pieces and jobs';
}
