import type { Fixing, MethodId, Site, Spot, Surface, WorkshopSettings } from '@early-lantern/contract';
import type { PartMade } from '../piece/part.ts';
import data from './methods.json';

/** A way to fix something: what it holds, where, and what forbids it. */
interface Method {
  id: MethodId;
  label: string;
  /** Rated static load, N. */
  ratingN: number;
  /** Things it goes on that are there already. */
  onto: Fixing['kind'][];
  /** Surfaces it takes on. */
  surfaces: Partial<Record<Surface, string>>;
  /** Surfaces it is tried on and must not be, with the reason. */
  refused?: Partial<Record<Surface, string>>;
  /** What parts of other pieces it goes on are made of. */
  parts?: PartMade[];
  /** It is the garland's own balloons that hold: nothing else can be fixed so. */
  byBalloons?: boolean;
  /** What one point of it takes, by item of the materials' catalogue. */
  takes?: Record<string, number>;
  vetoedBy?: NonNullable<Site['forbids']>[number];
  spoiltBy?: NonNullable<Spot['conditions']>;
  indoorsOnly?: boolean;
  removal: string;
  cureMin: number;
  /** Of the rating, what is left pulled straight off overhead, or slipping down an upright. */
  peel?: number;
  shear?: number;
  source: string;
}

export const methods = data as unknown as readonly Method[];

/** @throws RangeError if there is no method of that name */
export function methodOf(id: MethodId): Method {
  const found = methods.find((method) => method.id === id);
  if (!found) throw new RangeError(`no method "${id}"`);
  return found;
}

/** The place that a method is asked about. */
export interface Place {
  surface: Surface;
  /** The part of another piece that is there, in place of the spot's own. */
  part?: PartMade | undefined;
  /** What is fixed there is a garland, whose own balloons can hold it. */
  isGarland?: boolean;
  /** What is there to fix to, if anything. */
  fixing?: Fixing['kind'] | undefined;
  /** Open floor or a table: there is nothing behind it to stick to. */
  isAir?: boolean;
  isOverhead: boolean;
  isOutdoors: boolean;
  conditions: NonNullable<Spot['conditions']>;
  forbids: NonNullable<Site['forbids']>;
}

const conditionWords = {
  'fresh-paint': 'the paint is fresh, under 7 days',
  damp: 'it is damp there',
  hot: 'it is hot there',
} as const;

/** Parts by what they are made of, as they are spoken of. */
const partWords: Record<PartMade, string> = {
  bar: 'a bar',
  pole: 'a pole',
  cloth: 'cloth',
  mesh: 'mesh',
  board: 'a board',
  'frame-behind': 'the frame behind a board',
  panel: 'a panel',
  gap: 'the gap between panels',
  balloons: 'balloons',
  'table-top': 'a table top',
  'table-edge': "a table's edge",
  leg: 'a leg',
};

/** Why a method may not be used at a place; undefined where it may. */
export function refusal(id: MethodId, place: Place): string | undefined {
  const method = methodOf(id);
  if (place.part) {
    if (method.byBalloons && !place.isGarland) return 'only a garland holds itself by its own balloons';
    return method.parts?.includes(place.part) ? undefined : `it does not go on ${partWords[place.part]}`;
  }
  const spoilt = method.spoiltBy?.find((condition) => place.conditions.includes(condition));
  if (method.vetoedBy && place.forbids.includes(method.vetoedBy))
    return `the house forbids ${method.vetoedBy}`;
  if (spoilt) return conditionWords[spoilt];
  if (method.indoorsOnly && place.isOutdoors) return 'it lets go outdoors in the cold';
  if (place.fixing && method.onto.includes(place.fixing)) return undefined;
  if (method.id === 'foot-peg') return 'it goes into the ground at the foot';
  if (method.parts && method.onto.length === 0 && Object.keys(method.surfaces).length === 0)
    return `it goes on ${method.parts.map((part) => partWords[part]).join(', ')} of another piece`;
  if (method.onto.length > 0) return `there is no ${method.onto.join(', ')} at this point`;
  if (place.isAir) return 'there is nothing behind it';
  if (place.surface in method.surfaces) return undefined;
  return method.refused?.[place.surface] ?? `it does not hold on ${place.surface}`;
}

/** What the business has to fix with: its own ratings, and classes of hooks. */
export type Fittings = Pick<WorkshopSettings, 'ratingsN' | 'hooks'>;

/** What a method is good for at a place, N: the rating of its strongest class, less where it peels or slips. */
export function ratingAt(id: MethodId, place: Place, { ratingsN, hooks = [] }: Fittings): number {
  const classes = hooks.filter(({ method }) => method === id).map(({ ratingN }) => ratingN);
  const rating = classes.length > 0 ? Math.max(...classes) : (ratingsN?.[id] ?? methodOf(id).ratingN);
  return rating * shareOfRating(id, place);
}

/** Of a rated load, what is left at a place: pulled off overhead or slipping down an upright it holds less. */
function shareOfRating(id: MethodId, place: Place): number {
  const { peel = 1, shear = 1 } = methodOf(id);
  return place.isOverhead ? peel : shear;
}

/** A class of hooks is chosen for this much over what is required. */
const CLASS_MARGIN = 1.15;

/**
 * The lightest class of a method that bears a load at a place with room to spare, else its strongest; undefined where
 * there are no classes.
 * @param factor rating over load that is asked for; @param loadN on the point
 */
export function hookFor(
  id: MethodId,
  place: Place,
  { hooks = [] }: Fittings,
  factor: number,
  loadN: number,
): { id: string; name: string; ratingN: number } | undefined {
  const neededN = factor * CLASS_MARGIN * loadN;
  const share = shareOfRating(id, place);
  const classes = hooks
    .filter(({ method }) => method === id)
    .map((one) => ({ id: one.id, name: one.name, ratingN: one.ratingN * share }))
    .sort((a, b) => a.ratingN - b.ratingN);
  return classes.find(({ ratingN }) => ratingN >= neededN) ?? classes.at(-1);
}

/**
 * The simplest method, in the order of the catalogue, that holds what is wanted at a place; else the one that holds
 * most. Undefined where nothing is allowed.
 */
export function bestMethod(
  place: Place,
  fittings: Fittings,
  wantedN = 0,
): { method: MethodId; ratingN: number } | undefined {
  const allowed = methods
    .filter(({ id }) => refusal(id, place) === undefined)
    .map(({ id }) => ({ method: id, ratingN: ratingAt(id, place, fittings) }));
  return allowed.find((one) => one.ratingN >= wantedN) ?? allowed.sort((a, b) => b.ratingN - a.ratingN)[0];
}
