import { LRUCache } from 'lru-cache';
import { type Cargo, type CargoSpace, goesIn, type Loaded, volumeOf, waysToLie } from './cargo.ts';
import { LoadSearch } from './pack.ts';

/** What is loaded into each of several rooms, in their order, and what goes into none. */
export interface FleetLoad {
  rooms: Loaded[][];
  unplaced: string[];
}

const known = new LRUCache<string, FleetLoad>({ max: 60 });

/**
 * Things shared out over several vehicles: one vehicle filled after the other, in every order of them, what only goes
 * into one of them first. The best of all is kept: nothing left out, or the least volume.
 *
 * The same things and rooms are worked out once.
 * @param tries of each vehicle in each order
 */
export function loadFleet(
  cargo: readonly Cargo[],
  rooms: readonly CargoSpace[],
  tries: number,
  seed = 1,
): FleetLoad {
  const key = JSON.stringify([cargo, rooms, tries, seed]);
  const before = known.get(key);
  if (before) return before;
  let best: FleetLoad | undefined;
  let leftVolume = Infinity;
  for (const order of ordersOf(rooms.map((_, i) => i))) {
    const found = inTurn(cargo, rooms, order, tries, seed);
    const volume = volumeLeft(found, cargo);
    if (volume < leftVolume) [best, leftVolume] = [found, volume];
    if (volume === 0) break;
  }
  const answer = best ?? { rooms: [], unplaced: cargo.map(({ id }) => id) };
  known.set(key, answer);
  return answer;
}

const volumeLeft = ({ unplaced }: FleetLoad, cargo: readonly Cargo[]): number => {
  const left = new Set(unplaced);
  return cargo.reduce((sum, { id, size }) => sum + (left.has(id) ? volumeOf(size) : 0), 0);
};

/** One vehicle after the other takes as much as it can; what goes into no later one comes first. */
function inTurn(
  cargo: readonly Cargo[],
  rooms: readonly CargoSpace[],
  order: readonly number[],
  tries: number,
  seed: number,
): FleetLoad {
  const loads: Loaded[][] = rooms.map(() => []);
  let left = [...cargo];
  order.forEach((r, turn) => {
    const room = rooms[r] as CargoSpace;
    const later = order.slice(turn + 1).map((other) => rooms[other] as CargoSpace);
    // What only this one takes goes in before everything that may follow in another.
    const onlyHere = left.filter((one) => later.length > 0 && !later.some((other) => mayGoIn(one, other)));
    const must = new Set(onlyHere.map(({ id }) => id));
    const furthest = Math.max(1, ...left.map(({ stop }) => stop));
    const raised =
      must.size > 0 && must.size < left.length
        ? left.map((one) => (must.has(one.id) ? { ...one, stop: one.stop + furthest } : one))
        : left;
    const search = new LoadSearch(raised, room, seed);
    search.run(tries);
    const { loaded, unplaced } = search.answer();
    loads[r] = loaded;
    const out = new Set(unplaced);
    left = left.filter(({ id }) => out.has(id));
  });
  return { rooms: loads, unplaced: left.map(({ id }) => id) };
}

/** Whether one thing alone is small and light enough for a room, whatever is built in there. */
export const fitsAlone = (one: Cargo, room: CargoSpace): boolean =>
  one.massG <= room.payloadG &&
  goesIn(one, room.door) &&
  waysToLie(one).some(({ l, w, h }) => l <= room.l && w <= room.w && h <= room.h);

const alone = new LRUCache<string, boolean>({ max: 2000 });

/** Whether one thing alone goes into a room. The same thing and room are worked out once. */
export function mayGoIn(one: Cargo, room: CargoSpace): boolean {
  if (!fitsAlone(one, room)) return false;
  const key = JSON.stringify([{ ...one, id: '' }, room]);
  const before = alone.get(key);
  if (before !== undefined) return before;
  const search = new LoadSearch([one], room);
  search.run(1);
  alone.set(key, search.isComplete);
  return search.isComplete;
}

/** Every order of a few things; of more than four only the one given and its reverse. */
function ordersOf(items: readonly number[]): number[][] {
  if (items.length > 4) return [[...items], [...items].reverse()];
  if (items.length < 2) return [[...items]];
  return items.flatMap((first, i) =>
    ordersOf(items.filter((_, j) => j !== i)).map((rest) => [first, ...rest]),
  );
}
