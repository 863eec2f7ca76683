import type { Site, Spot } from '@early-lantern/contract';
import { differences } from './document.ts';

/** What is asked of a place, as it is spoken of. */
export const placeWords: Record<Exclude<keyof Site, 'id' | 'spots' | 'loadIn'>, string> = {
  name: 'its name',
  indoors: 'indoors or outdoors',
  isWorkshop: 'whether it is our own workshop',
  altitudeM: 'its elevation',
  at: 'where it is',
  driveMin: 'minutes to drive',
  rules: 'venue rules',
  forbids: 'what the venue forbids',
  quiet: 'quiet hours',
  powerW: 'power available',
  access: 'the way in',
  contact: 'whom to call',
};

export const wayWords: Record<keyof Site['loadIn'], string> = {
  distanceM: 'the way from the van',
  steps: 'steps',
  doorM: 'the narrowest door',
  lift: 'the lift',
  floors: 'floors by lift',
  liftLoads: 'loads the lift takes',
  setDownMin: 'minutes to park and sign in',
  longestM: 'the longest item that fits',
  parking: 'parking',
  kerb: 'hours at the set-down',
  kerbMin: 'minutes at the set-down',
};

export const spotWords: Record<Exclude<keyof Spot, 'id'>, string> = {
  name: 'its name',
  kind: 'what it is',
  widthM: 'width',
  heightM: 'height',
  depthM: 'floor in front',
  photoFrom: 'where photographs are taken from',
  outline: 'outline',
  colour: 'colour',
  surface: 'surface',
  regions: 'areas with another surface',
  fixings: 'what there is to fix to',
  keepClear: 'what must stay clear',
  power: 'sockets',
  floor: 'floor',
  indoors: 'indoors or outdoors',
  openness: 'how the wind comes at it',
  stair: 'the stair',
  tempC: 'how warm it gets',
  conditions: 'what spoils adhesive',
  sun: 'direct sun',
};

const lengths: readonly string[] = [
  'widthM',
  'heightM',
  'depthM',
  'distanceM',
  'doorM',
  'longestM',
  'altitudeM',
];

/**
 * What differs between two states of a place, in words, each thing once: plain values with what they were and are,
 * lists and drawings only as changed.
 * @param long a length in the shop's own unit
 */
export function placeChanges(now: Site, before: Site, long: (metres: number) => string): string[] {
  const told = new Map<string, string>();
  for (const { path, mine, theirs } of differences(now, before)) {
    const [what, where] = named(path, now);
    if (told.has(what)) continue;
    const key = path.split('.').at(-1) as string;
    const isWhole = path.split('.').length === where;
    const show = (value: unknown) =>
      lengths.includes(key) && typeof value === 'number' ? long(value) : plain(value);
    const [is, was] = [show(mine), show(theirs)];
    told.set(what, isWhole && is && was ? `${what}: was ${was}, is ${is}` : `${what}: changed`);
  }
  return [...told.values()];
}

/** What a path means, and how many steps of it name that thing whole. */
function named(path: string, site: Site): [what: string, steps: number] {
  const [first = '', second = '', third = ''] = path.split('.');
  if (first === 'loadIn') return [wayWords[second as keyof Site['loadIn']] ?? 'the way in', 2];
  if (first === 'spots') {
    const spot = site.spots[Number(second)]?.name;
    const word = spotWords[third as Exclude<keyof Spot, 'id'>];
    return spot && word ? [`${spot}, ${word}`, 3] : ['its spots', 1];
  }
  return [placeWords[first as keyof typeof placeWords] ?? 'the place', 1];
}

/** A value as it is spoken of; empty where it is no plain one. */
function plain(value: unknown): string {
  if (value === undefined || value === '') return 'not known';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return String(Number(value.toFixed(2)));
  return typeof value === 'string' ? `“${value.slice(0, 60)}”` : '';
}
