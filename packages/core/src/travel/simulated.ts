import type { GeoPoint } from '@early-lantern/contract';

/** Blocks of the made-up town, degrees; every so many streets a main road, and every so many columns a bridge. */
const BLOCK_LAT = 0.01;
const BLOCK_LON = 0.013;
const MAIN_EVERY = 4;
const BRIDGE_EVERY = 5;
/** Streets and main roads, km/h, when they are empty; and how much a street differs from another. */
const STREET_KMH = 28;
const MAIN_KMH = 52;
const DIFFERS = 0.25;
/** Beyond the town one drives over land. */
const LAND_KMH = 70;
const TOWN_KM = 40;
/** A road is so much longer than the crow's way. */
const DETOUR = 1.3;
/** Looked at round the two ends, blocks. */
const MARGIN = 5;
/** Finding the van, the way out of the yard, the place: minutes. */
const ENDS_MIN = 3;

/** When it is asked for, by the clock of the place. */
export interface DriveHour {
  /** 0 to 24. */
  hour: number;
  isWeekend: boolean;
}

/**
 * How long a drive takes in a made-up town: a grid of streets with main roads, a river with few bridges, and hours that are
 * busier than others. The same for the same question. Not for use on a real day.
 * @returns minutes, and kilometres along the way
 */
export function simulatedDrive(
  from: GeoPoint,
  to: GeoPoint,
  when: DriveHour,
): { minutes: number; km: number } {
  const straight = distanceKm(from, to);
  if (straight > TOWN_KM) {
    const km = straight * DETOUR;
    return { minutes: Math.round((km / LAND_KMH) * 60) + ENDS_MIN, km: tenth(km) };
  }
  const [a, b] = [blockOf(from), blockOf(to)];
  const { minutes, km } = shortestWay(a, b, congestion(when));
  const ends = distanceKm(from, pointOf(a)) + distanceKm(to, pointOf(b));
  return {
    minutes: Math.round(minutes + (ends / STREET_KMH) * 60) + ENDS_MIN,
    km: tenth(km + ends),
  };
}

/** Main roads take so much longer: two peaks on a working day, one at a weekend. */
function congestion({ hour, isWeekend }: DriveHour): number {
  const peak = (at: number, width: number) => Math.exp(-(((hour - at) / width) ** 2));
  return isWeekend ? 1 + 0.25 * peak(13, 3) : 1 + 0.7 * peak(8, 1.2) + 0.8 * peak(17.25, 1.5);
}

type Block = readonly [x: number, y: number];

const blockOf = ({ lon, lat }: GeoPoint): Block => [Math.round(lon / BLOCK_LON), Math.round(lat / BLOCK_LAT)];
const pointOf = ([x, y]: Block): GeoPoint => ({ lon: x * BLOCK_LON, lat: y * BLOCK_LAT });

/** Dijkstra over the crossings round the two ends; a street costs minutes. */
function shortestWay(from: Block, to: Block, busy: number): { minutes: number; km: number } {
  const [low, high] = [
    [Math.min(from[0], to[0]) - MARGIN, Math.min(from[1], to[1]) - MARGIN],
    [Math.max(from[0], to[0]) + MARGIN, Math.max(from[1], to[1]) + MARGIN],
  ] as const;
  const key = ([x, y]: Block) => `${x} ${y}`;
  const best = new Map([[key(from), { minutes: 0, km: 0 }]]);
  const open = new Map<string, Block>([[key(from), from]]);
  const done = new Set<string>();
  while (open.size > 0) {
    let nearest: string | undefined;
    for (const name of open.keys())
      if (nearest === undefined || (best.get(name)?.minutes ?? 0) < (best.get(nearest)?.minutes ?? 0))
        nearest = name;
    const name = nearest as string;
    const [x, y] = open.get(name) as Block;
    const at = best.get(name) as { minutes: number; km: number };
    if (x === to[0] && y === to[1]) return at;
    open.delete(name);
    done.add(name);
    for (const next of [
      [x + 1, y],
      [x - 1, y],
      [x, y + 1],
      [x, y - 1],
    ] as const) {
      if (next[0] < low[0] || next[0] > high[0] || next[1] < low[1] || next[1] > high[1]) continue;
      if (done.has(key(next)) || isRiver([x, y], next)) continue;
      const km = distanceKm(pointOf([x, y]), pointOf(next));
      const minutes = at.minutes + (km / speedOf([x, y], next, busy)) * 60;
      if (minutes >= (best.get(key(next))?.minutes ?? Infinity)) continue;
      best.set(key(next), { minutes, km: at.km + km });
      open.set(key(next), next);
    }
  }
  // No bridge near by: over land.
  const km = distanceKm(pointOf(from), pointOf(to)) * DETOUR * 2;
  return { minutes: (km / LAND_KMH) * 60, km };
}

/** The river runs between two rows of blocks, and is crossed at bridges only. */
const isRiver = (a: Block, b: Block): boolean =>
  a[1] !== b[1] && Math.min(a[1], b[1]) % 9 === 0 && a[0] % BRIDGE_EVERY !== 0;

function speedOf(a: Block, b: Block, busy: number): number {
  const along = a[0] === b[0] ? a[0] : a[1];
  const isMain = along % MAIN_EVERY === 0;
  const own = 1 + DIFFERS * (2 * fraction(a[0] + b[0], a[1] + b[1]) - 1);
  return isMain ? (MAIN_KMH * own) / busy : STREET_KMH * own;
}

/** A fraction that belongs to a street. */
const fraction = (x: number, y: number): number => {
  const mixed = Math.sin(x * 127.1 + y * 311.7) * 43758.5453;
  return mixed - Math.floor(mixed);
};

const EARTH_KM = 6371;

/** Great circle, km: haversine formula. */
export function distanceKm(a: GeoPoint, b: GeoPoint): number {
  const rad = Math.PI / 180;
  const h =
    Math.sin(((b.lat - a.lat) * rad) / 2) ** 2 +
    Math.cos(a.lat * rad) * Math.cos(b.lat * rad) * Math.sin(((b.lon - a.lon) * rad) / 2) ** 2;
  return 2 * EARTH_KM * Math.asin(Math.sqrt(h));
}

const tenth = (value: number) => Math.round(value * 10) / 10;
