import type { JobFile } from '@early-lantern/contract';
import { type Effort, effort, together } from '../bench/rates.ts';
import { traitsOf } from '../piece/kinds.ts';
import { itemKg } from '../structure/mass.ts';
import type { WorkedPiece } from './work.ts';

/** What one person carries at a time, kg, and how many bulky things at most. From memory, editable defaults. */
const TRIP_KG = 20;
const IN_HANDS = 4;
/** Of stands, bases and kit so much is in the figure of a full van already, kg. From memory, an editable default. */
const IN_FULL_VAN_KG = 180;
/** Things of less than this are in the bags and boxes of a full van, kg. From memory. */
const LIGHT_KG = 0.4;

/** A heavy or bulky thing, so many alike. */
interface Heavy {
  count: number;
  massKg: number;
}

/** Weights on bases and lines, furniture, boards and panels: what is carried by hand besides bags of balloons. */
function heavyThings({ piece, recipe, held }: WorkedPiece): Heavy[] {
  const weights = (held?.ballastKg ?? []).map((massKg) => ({ count: 1, massKg }));
  const { furniture } = traitsOf(piece);
  const gear = recipe.materials.map(({ item, count }) => ({ count: Math.ceil(count), massKg: itemKg(item) }));
  return [...weights, ...furniture, ...gear.filter(({ massKg }) => massKg >= LIGHT_KG)];
}

/** Trips of one person: 20 kg at a time, four things at most; what weighs more than one carries takes more of them. */
function heavyTrips(pieces: readonly WorkedPiece[]): number {
  const trips = pieces
    .flatMap(heavyThings)
    .reduce((sum, { count, massKg }) => sum + count * Math.max(massKg / TRIP_KG, 1 / IN_HANDS), 0);
  return Math.max(0, trips - IN_FULL_VAN_KG / TRIP_KG);
}

/** An effort with what the heavy things of these pieces add to it. */
export function withHeavy(
  work: Effort,
  pieces: readonly WorkedPiece[],
  rate: 'load-heavy' | 'carry-heavy',
  { workshop }: JobFile,
  share = 1,
): Effort {
  const trips = heavyTrips(pieces);
  return trips > 0 ? together([work, effort(rate, trips * share, workshop)]) : work;
}
