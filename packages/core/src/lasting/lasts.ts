import type {
  Colour,
  Grade,
  JobFile,
  LastingLot,
  Lot,
  Piece,
  PieceId,
  PlanPiece,
  Task,
} from '@early-lantern/contract';
import { pressureAt } from '../air/atmosphere.ts';
import { type Air, blowTo, diameterRatio, LIMIT_MARGIN } from '../air/gas.ts';
import { sizeOf } from '../balloon/catalogue.ts';
import { toQuarter } from '../bench/diameters.ts';
import { placeBefore } from '../clock/legs.ts';
import { partOfRound } from '../clock/rounds.ts';
import { isFillerName } from '../piece/cluster-names.ts';
import { balloonsOf } from '../piece/counts.ts';
import { traitsOf } from '../piece/kinds.ts';
import { groupBy } from '../quantity/group.ts';
import type { LengthUnits } from '../quantity/length.ts';
import { formatTemp } from '../quantity/temperature.ts';
import { working } from '../working.ts';
import { type Interval, type Journey, type Surroundings, stretchesOf, surroundingsOf } from './exposure.ts';
import { floatingOf } from './floats.ts';
import { ageing, HOLD_C, holdTime } from './hold-time.ts';

const HOUR_MS = 3_600_000;
/** Where nothing says when a lot is blown: so long before doors. From memory, an editable default. */
const UNKNOWN_HOURS = 24;
/** Air over this in full sun asks for other stock, °C: 90 °F; no shine from there on. Common practice, no source. */
const TACKY_C = 32;
/** Skin this warm gets tacky and pops, °C. From memory, an editable default. */
const POPS_C = 52;
/** Hours of direct sun after which latex has dulled. From memory, an editable default. */
const DULLS_H = 6;
/** Below this a balloon is a modelling balloon, told by its width, in. */
const ROUND_FROM_IN = 4;
/** Less than this left of the hold time is little. From memory, an editable default. */
const LITTLE_LEFT = 0.2;

/** Every lot of the job from inflation to the end of the event. */
export function lastingLots(
  file: JobFile,
  pieces: readonly PlanPiece[],
  tasks: readonly Task[],
): LastingLot[] {
  const when = journeysOf(file, tasks);
  const around = surroundingsOf(file);
  return pieces.flatMap((planned, i) => {
    const piece = file.job.pieces[i] as Piece;
    const lasting = (lot: Lot, most?: number) =>
      lastingLot(lot, piece, when(piece.id, lot.nominalIn), file, around, most);
    const alone = planned.lots.map((lot) => lasting(lot));
    // Lots of a size go through one hole: the one that swells most sets it for all.
    return planned.lots.map((lot, l) => {
      const { nominalIn, cluster } = lot;
      const own = planned.lots.flatMap((other, o) =>
        other.nominalIn === nominalIn && isFillerName(other.cluster) === isFillerName(cluster)
          ? [(alone[o] as LastingLot).blowToIn / other.inflatedIn.max]
          : [],
      );
      const share = Math.min(...own);
      const one = alone[l] as LastingLot;
      return share < one.blowToIn / lot.inflatedIn.max
        ? lasting(lot, toQuarter(share * lot.inflatedIn.max))
        : one;
    });
  });
}

/** A piece whose lots and counts say what to blow to. */
export function toldWhatToBlow(piece: PlanPiece, lasting: readonly LastingLot[]): PlanPiece {
  const lots = piece.lots.map((lot): Lot => {
    const found = lasting.find(({ id, pieceId }) => id === lot.id && pieceId === piece.id);
    const share = found ? found.blowToIn / lot.inflatedIn.max : 1;
    const told = (inches: number) => Math.min(inches, toQuarter(inches * share));
    const blowToIn = { min: told(lot.inflatedIn.min), max: told(lot.inflatedIn.max) };
    return {
      ...lot,
      blowToIn,
      holesIn: blowToIn.min === blowToIn.max ? [blowToIn.max] : [blowToIn.min, blowToIn.max],
    };
  });
  return { ...piece, lots, balloons: balloonsOf(lots) };
}

/** From the clock: when a lot of a piece is blown, leaves, arrives and comes down; the usual where there is no plan. */
function journeysOf(file: JobFile, tasks: readonly Task[]) {
  const { job, site } = file;
  const endOf = (id: string) => tasks.find((task) => task.id === id)?.end;
  const startOf = (id: string) => tasks.find((task) => task.id === id)?.start;
  const accessMs = Date.parse(job.access.from);
  // Of a round, what is for a later place has been in the vehicle since the first drive.
  const part = partOfRound(file, 'set-up');
  const isLater = part !== undefined && placeBefore(part.round, part.at) !== undefined;
  const leaves = isLater ? endOf('load-vehicle') : startOf('drive-out');
  const leavesMs = Date.parse(leaves ?? '') || accessMs - site.driveMin * 60_000;
  const arrivesMs = Date.parse(endOf('drive-out') ?? '') || accessMs;
  const endsMs = Date.parse(job.strike.from);
  const usualMs = Date.parse(job.doors) - UNKNOWN_HOURS * HOUR_MS;
  const byPiece = groupBy(tasks, (task) => task.pieceId);
  return (pieceId: PieceId, nominalIn: number): Journey => {
    const own = byPiece.get(pieceId) ?? [];
    const bySize = own.filter(({ blows }) => blows?.nominalIn === nominalIn);
    const starts = (bySize.length ? bySize : own).map(({ start }) => Date.parse(start));
    return { blownMs: starts.length ? Math.min(...starts) : usualMs, leavesMs, arrivesMs, endsMs };
  };
}

function lastingLot(
  lot: Lot,
  piece: Piece,
  journey: Journey,
  file: JobFile,
  around: Surroundings,
  most = Infinity,
): LastingLot {
  const { site, workshop } = file;
  const spot = site.spots.find(({ id }) => id === piece.spotId);
  const colour = workshop.colours.find(({ id }) => id === lot.colour);
  if (!spot || !colour) throw new RangeError(`"${piece.name}" has no spot or colour for lot ${lot.id}`);
  const gas = traitsOf(piece).balloons === 'helium' ? 'helium' : 'air';
  const grade: Grade = colour.grade ?? ('grade' in piece ? piece.grade : 'professional');
  const stretches = stretchesOf(journey, spot, colour, around);
  const onSite = stretches.filter((one) => one.onSite);
  const sum = (pick: (one: Interval) => number) => stretches.reduce((all, one) => all + pick(one), 0);
  const hoursHeld = sum(({ hours }) => hours);
  const hoursAged = sum(({ hours, airC }) => hours * ageing(airC));
  const sunHours = sum(({ hours, inSun }) => (inSun ? hours : 0));
  const limit = holdTime(lot.nominalIn, gas, grade, workshop);
  const hottestSkinC = Math.max(HOLD_C, ...onSite.map(({ skinC }) => skinC));
  const hottestAirC = Math.max(HOLD_C, ...onSite.map(({ airC }) => airC));
  const hottestInSunC = Math.max(-99, ...onSite.map(({ airC, inSun }) => (inSun ? airC : -99)));
  const shop: Air = { celsius: workshop.benchC ?? 20, pascal: pressureAt(workshop.altitudeM ?? 0) };
  const there: Air = { celsius: hottestSkinC, pascal: pressureAt(site.altitudeM ?? 0) };
  const limitIn = Math.max(lot.nominalIn, sizeOf(lot.nominalIn, workshop).blowIn.max);
  // Blown on site it is blown in the site's air.
  const here = journey.blownMs >= journey.arrivesMs ? { ...there, celsius: hottestAirC } : shop;
  const wantedIn = lot.inflatedIn.max;
  const blowToIn = Math.min(most, wantedIn, toQuarter(blowTo(wantedIn, limitIn, here, there)));
  // What the bench is told decides, not what was wanted.
  const hottestIn = blowToIn * diameterRatio(here, there);
  const floating = gas === 'helium' ? floatingOf(piece) : undefined;
  const verdict = worstOf([
    floats(floating),
    aged(hoursAged, limit.hours, gas),
    // A modelling balloon is never blown to its end: its tail takes what swells.
    lot.nominalIn < ROUND_FROM_IN ? well : swollen(wantedIn, blowToIn, hottestIn, limitIn),
    tacky(hottestInSunC, hottestSkinC, colour, workshop.units),
    dulled(sunHours, piece, hottestInSunC),
  ]);
  return {
    id: lot.id,
    pieceId: piece.id,
    label: `${piece.name}: ${lot.nominalIn} in., ${colour.name}`,
    nominalIn: lot.nominalIn,
    colour: lot.colour,
    gas,
    hoursHeld: tenth(hoursHeld),
    hoursAged: tenth(hoursAged),
    hoursLimit: tenth(limit.hours),
    blowToIn: Number(blowToIn.toFixed(2)),
    hottestIn: Number(hottestIn.toFixed(2)),
    limitIn,
    hottestAirC: tenth(hottestAirC),
    hottestSkinC: tenth(hottestSkinC),
    sunHours: tenth(sunHours),
    ...verdict,
    working: [
      working(
        'Hours as it ages',
        {
          metric: 'Σ hours · 2^((T − 21)/10), never less than an hour for an hour',
          imperial: 'Σ hours · 2^((T − 70)/18), never less than an hour for an hour',
        },
        [
          ['by the clock', hoursHeld, 'h'],
          ['hottest air', hottestAirC, '°C'],
          ['hold time', limit.hours, 'h'],
        ],
        { value: hoursAged, unit: 'h' },
        limit.source,
      ),
      working(
        'Blow to in the workshop',
        'min(wanted, limit · margin) · (p_site T_shop / (p_shop T_site))^(1/3), to a quarter of an inch',
        [
          ['wanted', lot.inflatedIn.max, 'in.'],
          ['limit', limitIn, 'in.'],
          ['margin', LIMIT_MARGIN],
          ['T shop', here.celsius, '°C'],
          ['T site', there.celsius, '°C'],
          ['p shop', here.pascal, 'Pa'],
          ['p site', there.pascal, 'Pa'],
        ],
        { value: blowToIn, unit: 'in.' },
        'gas law; standard atmosphere: ICAO Doc 7488; back-pressure of the skin left out',
      ),
      ...(floating ? [floating.working] : []),
    ],
  };
}

const tenth = (value: number) => Number(value.toFixed(1));

interface Verdict {
  state: 'lit' | 'low' | 'out';
  reason: string;
}
const RANK = { lit: 0, low: 1, out: 2 } as const;
const well: Verdict = { state: 'lit', reason: 'It looks as it should to the end of the event.' };

/** The worst of all; where all is well, what is told of it. */
const worstOf = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce(
    (worst, one) => (RANK[one.state] > RANK[worst.state] || worst === well ? one : worst),
    well,
  );

function aged(hours: number, limit: number, gas: LastingLot['gas']): Verdict {
  const left = limit - hours;
  const word = gas === 'helium' ? 'sinks' : 'is soft';
  if (left < 0)
    return { state: 'out', reason: `It ${word} ${(-left).toFixed(0)} h before the event is over.` };
  if (left < LITTLE_LEFT * limit)
    return { state: 'low', reason: `It ${word} ${left.toFixed(0)} h after the event: little to spare.` };
  return well;
}

function floats(floating: ReturnType<typeof floatingOf>): Verdict {
  if (!floating) return well;
  if (floating.netG <= 0)
    return {
      state: 'out',
      reason: 'It does not float: too small for its ribbon. Blow it larger, or shorten that.',
    };
  return floating.weightG < floating.netG
    ? { state: 'out', reason: `Its weight of ${floating.weightG} g is less than its lift: it flies away.` }
    : well;
}

/** Less than wanted by more than this share is seen. From memory. */
const SEEN = 0.05;

/**
 * Blown as the bench is told it never swells past its most; where that leaves it smaller than it was drawn, it is said.
 * Five-inch balloons blown to five on a frame are common practice, no source: never more than low.
 */
function swollen(wantedIn: number, blowToIn: number, hottestIn: number, limitIn: number): Verdict {
  if (hottestIn < wantedIn * (1 - SEEN) && wantedIn > limitIn * LIMIT_MARGIN)
    return {
      state: 'low',
      reason: `Drawn at ${wantedIn.toFixed(1)} in., nearly its most: blown to ${blowToIn.toFixed(1)} in. it has room to swell.`,
    };
  return hottestIn > limitIn * 0.97
    ? { state: 'low', reason: `It swells to ${hottestIn.toFixed(1)} in., nearly its most.` }
    : well;
}

function tacky(inSunC: number, skinC: number, colour: Colour, units: LengthUnits): Verdict {
  const { failsAboveC, exposure } = colour;
  if (failsAboveC !== undefined && inSunC > failsAboveC)
    return {
      state: 'out',
      reason: `${formatTemp(inSunC, units)} in full sun: it fails above ${formatTemp(failsAboveC, units)}.`,
    };
  // What is known of the product goes before what is usual.
  if (failsAboveC !== undefined || inSunC <= TACKY_C) return well;
  return {
    state: skinC > POPS_C ? 'out' : 'low',
    reason: `${formatTemp(inSunC, units)} in full sun, its skin ${formatTemp(skinC, units)}: it gets tacky and pops${exposure ? ` (${exposure})` : ''}.`,
  };
}

/** Dull is a matter of looks: told, never a reason to be low. Shine on hot balloons is a danger to them. */
function dulled(sunHours: number, piece: Piece, inSunC: number): Verdict {
  const bloom = 'schools' in piece ? (piece.schools?.bloom ?? 'none') : 'none';
  if (bloom !== 'none' && inSunC >= TACKY_C)
    return { state: 'low', reason: 'No shine treatment on hot balloons in direct sun.' };
  if (sunHours <= DULLS_H || bloom !== 'none') return well;
  const helps = inSunC < TACKY_C ? '; a shine treatment beforehand helps' : '';
  return {
    state: 'lit',
    reason: `It lasts to the end; ${sunHours.toFixed(0)} h of direct sun dull it${helps}.`,
  };
}
