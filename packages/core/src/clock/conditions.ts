import type { CrewMember, JobFile, Piece, Working } from '@early-lantern/contract';
import { type Effort, scaled } from '../bench/rates.ts';
import { HOLD_C } from '../lasting/hold-time.ts';
import { inTheirDegrees } from '../quantity/temperature.ts';
import { isOutdoors } from '../structure/gust-at.ts';
import { working } from '../working.ts';

/** What makes work take longer, or less long, than its rate: a factor, with its working. */
export interface Slowing {
  factor: number;
  working: Working;
}

/** Work from a ladder takes so much longer: up, down, and moving it. From memory, an editable default. */
const LADDER = 1.25;
/** Each degree over this slows by so much, to a limit. From memory, editable defaults. */
const WARM_C = 28;
const PER_DEGREE = 0.015;
const MOST_HEAT = 1.3;
/** An hour with so much rain, mm, has everything carried under cover. From memory, editable defaults. */
const WET_MM = 0.2;
const RAIN = 1.25;

const HOUR_MS = 3_600_000;
const MEMORY = 'from memory, an editable default';

export const onLadder: Slowing = {
  factor: LADDER,
  working: working('From a ladder', 'a share more', [], { value: LADDER, unit: '×' }, MEMORY),
};

/** Heat where a piece is put up: of the warmest hour between access and doors outdoors, of the spot's indoors. */
export function heatAt(piece: Piece, file: JobFile): Slowing[] {
  const spot = file.site.spots.find(({ id }) => id === piece.spotId);
  if (!spot) return [];
  const hours = setUpHours(file);
  const warmest = isOutdoors(spot, file)
    ? Math.max(HOLD_C, ...hours.map(({ tempC }) => tempC))
    : (spot.tempC ?? HOLD_C);
  if (warmest <= WARM_C) return [];
  const factor = Math.min(MOST_HEAT, 1 + PER_DEGREE * (warmest - WARM_C));
  return [
    {
      factor,
      working: working(
        'Heat slows hands',
        {
          metric: `1 + ${PER_DEGREE} for each degree over ${WARM_C} °C, ${MOST_HEAT} at most`,
          imperial: `1 + ${(PER_DEGREE / 1.8).toFixed(4)} for each degree over ${inTheirDegrees(WARM_C, 'imperial')} °F, ${MOST_HEAT} at most`,
        },
        [['warmest', warmest, '°C']],
        { value: factor, unit: '×' },
        MEMORY,
      ),
    },
  ];
}

/** A shine spray is dry after so many minutes at half the humidity the air can take; damp air takes longer. From memory. */
const DRY_MIN = 10;
const DRY_AT_PCT = 50;
const TWICE_PCT = 40;

/** Minutes until a shine spray is dry where a piece stands: outdoors by the dampest hour of the forecast. */
export function dryingOf(piece: Piece, file: JobFile): { minutes: number; working: Working } {
  const spot = file.site.spots.find(({ id }) => id === piece.spotId);
  const hours = spot && isOutdoors(spot, file) ? setUpHours(file) : [];
  const dampest = Math.max(DRY_AT_PCT, ...hours.map(({ humidityPct }) => humidityPct));
  const minutes = Math.ceil(DRY_MIN * (1 + (dampest - DRY_AT_PCT) / TWICE_PCT));
  return {
    minutes,
    working: working(
      'Dry before it is touched',
      `${DRY_MIN} min · (1 + (humidity − ${DRY_AT_PCT} %) / ${TWICE_PCT} %)`,
      [['dampest hour', dampest, '%']],
      { value: minutes, unit: 'min' },
      MEMORY,
    ),
  };
}

/** Rain in the hours of the load-in, where a forecast says so. */
export function rainAtLoadIn(file: JobFile): Slowing[] {
  const wettest = Math.max(0, ...setUpHours(file).map(({ rainMm }) => rainMm));
  if (wettest < WET_MM) return [];
  return [
    {
      factor: RAIN,
      working: working(
        'Rain at the load-in',
        'everything goes in under cover',
        [['wettest hour', wettest, 'mm']],
        { value: RAIN, unit: '×' },
        MEMORY,
      ),
    },
  ];
}

const setUpHours = ({ job }: JobFile) =>
  (job.weather?.hours ?? []).filter(
    ({ at }) =>
      Date.parse(at) + HOUR_MS > Date.parse(job.access.from) && Date.parse(at) < Date.parse(job.doors),
  );

/** What the pace of those who do a task makes of its time; nothing where it is the usual one. */
export function paceOf(people: readonly CrewMember[]): Working[] {
  const paces = people.map(({ pace = 1 }) => pace);
  const all = paces.reduce((sum, one) => sum + one, 0);
  if (paces.length === 0 || Math.abs(all / paces.length - 1) < 1e-9) return [];
  return [
    working(
      'Pace of those who do it',
      'hands / paces together',
      people.map(({ name, pace = 1 }) => [name, pace]),
      { value: paces.length / all, unit: '×' },
      "the workshop's own figures",
    ),
  ];
}

/** An effort that takes longer or less long by all of these. */
export function slowed(work: Effort, slowings: readonly Slowing[]): Effort {
  const factor = slowings.reduce((product, one) => product * one.factor, 1);
  return scaled(
    work,
    factor,
    slowings.map((one) => one.working),
  );
}
