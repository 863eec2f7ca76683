import type { VehicleLoad } from '@early-lantern/contract';
import { sumOf } from '../quantity/group.ts';
import { type Cargo, type CargoSpace, goesIn, type Loaded, volumeOf } from './cargo.ts';
import { type FleetLoad, fitsAlone, loadFleet, mayGoIn } from './fleet.ts';
import type { Good } from './goods.ts';
import { blockedIn, type Ride, rackOf, spaceOf } from './rooms.ts';
import { SQUEEZE } from './sizes.ts';

/** Loads tried for each vehicle: with every plan that is shown, and to try a way out; none while something is edited. */
export const THOROUGH = 20;
export const TO_TRY = 5;
export const QUICK = 0;
/** So many things take as long as the tries are meant for. */
const MANY = 50;
/** So many loads are tried before it is judged whether more are worth it: they are, while so few things are left out. */
const FIRST_TRIES = 4;
const NEARLY_ALL = 5;
/** Ladders and poles on a roof are few. */
const ON_RACKS = 2;

/** A room or a rack of a vehicle with its space. */
interface Place {
  ride: Ride;
  part: VehicleLoad['part'];
  payloadKg: number;
  isOpen: boolean;
  blocked: VehicleLoad['blocked'];
  space: CargoSpace;
}

/** How a part of a vehicle is called beside it. */
const PARTS: Record<VehicleLoad['part'], string> = {
  room: '',
  roof: ', on the roof',
  trailer: ', in its trailer',
};

/** The rooms of the vehicles, the seats in use taken off, their trailers, and the racks on their roofs. */
function placesOf(rides: readonly Ride[]): Place[] {
  return rides.flatMap((ride): Place[] => {
    const room = ride.cargo as NonNullable<Ride['cargo']>;
    const people = ride.riders.length + (ride.driver ? 1 : 0);
    const blocked = blockedIn(room, ride.seats, people);
    const { payloadKg, isOpen = false, roofRack } = room;
    return [
      { ride, part: 'room', payloadKg, isOpen, blocked, space: spaceOf(room, blocked) },
      ...(ride.trailer ? [trailerOf(ride, ride.trailer)] : []),
      ...(roofRack
        ? [
            {
              ride,
              part: 'roof' as const,
              payloadKg: roofRack.payloadKg,
              isOpen: true,
              blocked: [],
              space: rackOf(roofRack),
            },
          ]
        : []),
    ];
  });
}

/** The trailer behind a vehicle. */
function trailerOf(ride: Ride, room: NonNullable<Ride['trailer']>): Place {
  const blocked = blockedIn(room, 0, 0);
  return {
    ride,
    part: 'trailer',
    payloadKg: room.payloadKg,
    isOpen: room.isOpen ?? false,
    blocked,
    space: spaceOf(room, blocked),
  };
}

/** What rides on a roof: long, and neither wind nor rain harms it. */
const RIDES_OUTSIDE = new Set<Good['kind']>(['ladder', 'pole']);
const OUTSIDE_FROM_MM = 1200;

/** The goods of one trip, bags as they are, and squeezed where that is asked for. */
export interface Trip {
  trip: number;
  goods: readonly Good[];
  squeezed: () => readonly Good[];
}

/** Loads tried for each vehicle, and what the search begins with. */
export interface Searched {
  tries: number;
  seed: number;
}

/** One trip of all vehicles: what rides on a roof first, then their rooms. */
export function tripOf({ trip, goods, squeezed }: Trip, rides: readonly Ride[], search: Searched) {
  const { tries } = search;
  const places = placesOf(rides);
  const [racks, rooms] = [
    places.filter(({ part }) => part === 'roof'),
    places.filter(({ part }) => part !== 'roof'),
  ];
  const outside = goods.filter(
    ({ kind, cargo: { size } }) =>
      RIDES_OUTSIDE.has(kind) && Math.max(size.l, size.w, size.h) >= OUTSIDE_FROM_MM,
  );
  const onRacks = loadFleet(
    racks.length > 0 ? outside.map(({ cargo }) => cargo) : [],
    racks.map(({ space }) => space),
    ON_RACKS,
  );
  const onRack = new Set(onRacks.rooms.flat().map(({ id }) => id));
  const rest = (list: readonly Good[]) => list.filter(({ cargo }) => !onRack.has(cargo.id));
  const spaces = rooms.map(({ space }) => space);
  const { way, load } =
    tries === QUICK
      ? byVolume(rest(goods), spaces)
      : inRooms(rest(goods), () => rest(squeezed()), spaces, search);
  const byId = new Map([...goods, ...way.goods].map((good) => [good.cargo.id, good]));
  const stops = new Map(goods.map(({ cargo }) => [cargo.id, cargo.stop]));
  const told = (place: Place, loaded: readonly Loaded[] = []) =>
    asVehicleLoad(place, trip, loaded, byId, stops);
  // Nothing has a place yet: all rooms are as full as the whole load would make them.
  const spread = <T extends VehicleLoad>(vehicle: T): T =>
    tries === QUICK
      ? {
          ...vehicle,
          usedShare:
            sumOf(way.goods.map(({ cargo }) => volumeOf(cargo.size))) / sumOf(spaces.map(freeVolume)),
        }
      : vehicle;
  return {
    squeeze: way.squeeze,
    firstAtDoor: way.firstAtDoor,
    vehicles: [
      ...rooms.map((place, r) => spread(told(place, load.rooms[r]))),
      ...racks.map((place, r) => told(place, onRacks.rooms[r])).filter(({ items }) => items.length > 0),
    ],
    unplaced: load.unplaced.map((id) => {
      const { kind, label, pieceId, cargo } = byId.get(id) as Good;
      return { id, kind, label, ...(pieceId ? { pieceId } : {}), why: whyOut(cargo, spaces) };
    }),
  };
}

/** At a glance: what goes into none of the rooms by itself, and what the rooms cannot hold in all. */
function byVolume(goods: readonly Good[], spaces: readonly CargoSpace[]) {
  let left = sumOf(spaces.map(freeVolume));
  const unplaced = goods.filter(({ cargo }) => {
    if (!spaces.some((space) => fitsAlone(cargo, space))) return true;
    left -= volumeOf(cargo.size) * (1 - (cargo.isSoft ? SQUEEZE : 0));
    return left < 0;
  });
  return {
    way: { goods, squeeze: 0, firstAtDoor: true },
    load: { rooms: [], unplaced: unplaced.map(({ cargo }) => cargo.id) } as FleetLoad,
  };
}

/** The best way into the rooms: as it should be, bags squeezed, or in whatever order. */
function inRooms(
  goods: readonly Good[],
  squeezed: () => readonly Good[],
  spaces: readonly CargoSpace[],
  { tries, seed }: Searched,
) {
  const volume = sumOf(goods.map(({ cargo }) => volumeOf(cargo.size)));
  // More than all rooms hold goes in no way: then one is tried, for what is left behind.
  const isHopeless = volume * (1 - SQUEEZE) > sumOf(spaces.map(freeVolume));
  const plain = { goods, squeeze: 0, firstAtDoor: true };
  const ways = isHopeless
    ? [() => plain]
    : [
        () => plain,
        () => ({ goods: squeezed(), squeeze: SQUEEZE, firstAtDoor: true }),
        () => ({ goods: squeezed(), squeeze: SQUEEZE, firstAtDoor: false }),
      ];
  let best = { way: plain, load: { rooms: [], unplaced: [] } as FleetLoad, left: Infinity };
  for (const wayOf of ways) {
    const way = wayOf();
    const cargo = way.goods.map((one) => (way.firstAtDoor ? one.cargo : { ...one.cargo, stop: 1 }));
    // Of few things more loads are tried in the same time.
    const more = Math.min(4, Math.max(1, Math.round(MANY / Math.max(1, cargo.length))));
    // A way that leaves much behind at first is not looked into further.
    const first = loadFleet(cargo, spaces, Math.min(tries, FIRST_TRIES), seed);
    const isNear = first.unplaced.length > 0 && first.unplaced.length <= NEARLY_ALL;
    const load = isNear ? loadFleet(cargo, spaces, tries * more, seed) : first;
    const left = load.unplaced.length;
    if (left < best.left) best = { way, load, left };
    if (left === 0) break;
  }
  return best;
}

const freeVolume = (space: CargoSpace): number =>
  volumeOf(space) - sumOf(space.blocked.map((box) => volumeOf(box)));

/** Why a thing has no place, a sentence. */
function whyOut(one: Cargo, spaces: readonly CargoSpace[]): string {
  if (spaces.some((space) => mayGoIn(one, space))) return 'There is no room left for it.';
  if (spaces.every(({ payloadG }) => one.massG > payloadG))
    return 'It is heavier than any of the vehicles may carry.';
  const longest = Math.max(one.size.l, one.size.w, one.size.h);
  const reach = Math.max(...spaces.map(({ l, w, h }) => Math.max(l, w, h)));
  if (longest > reach) return 'It is longer than the room of any of the vehicles.';
  if (spaces.every(({ door }) => !goesIn(one, door)))
    return 'It does not go through the door of any of the vehicles.';
  return 'It does not go into any of the vehicles the way it has to lie.';
}

function asVehicleLoad(
  { ride: { id, name }, part, payloadKg, isOpen, blocked, space }: Place,
  trip: number,
  loaded: readonly Loaded[],
  byId: ReadonlyMap<string, Good>,
  stops: ReadonlyMap<string, number>,
): VehicleLoad {
  const items = loaded.map(({ id: itemId, x, y, z, l, w, h }, i) => {
    const { kind, label, pieceId, place, cargo } = byId.get(itemId) as Good;
    return {
      id: itemId,
      kind,
      label,
      ...(pieceId ? { pieceId } : {}),
      ...(place ? { place } : {}),
      massKg: cargo.massG / 1000,
      bearsKg: cargo.bearsG / 1000,
      isSoft: cargo.isSoft ?? false,
      x,
      y,
      z,
      l,
      w,
      h,
      order: i + 1,
      stop: stops.get(itemId) ?? 1,
    };
  });
  const loadKg = sumOf(items.map(({ massKg }) => massKg));
  const middle = (at: 'x' | 'y', long: 'l' | 'w') =>
    sumOf(items.map((one) => one.massKg * (one[at] + one[long] / 2))) / loadKg;
  return {
    id,
    name: `${name}${PARTS[part]}`,
    trip,
    part,
    usedShare: sumOf(items.map((one) => volumeOf(one))) / freeVolume(space),
    loadKg,
    payloadKg,
    room: {
      l: space.l,
      w: space.w,
      h: space.h,
      doorW: space.door.w,
      doorH: space.door.h,
      isOpen,
    },
    blocked,
    balance: loadKg > 0 ? { across: middle('y', 'w') / space.w, along: middle('x', 'l') / space.l } : null,
    items,
  };
}
