/** Along the vehicle from its front wall to its door, across it from the left, and up from its floor; whole millimetres. */
export interface Extent {
  l: number;
  w: number;
  h: number;
}

/** A box in its place: its near lower left corner and its extent, mm. */
export interface PlacedBox extends Extent {
  x: number;
  y: number;
  z: number;
}

/** Which of a thing's sides may stand up: its height as given, or turned so that its width or its length does. */
export type Upright = 'h' | 'w' | 'l';

/** Something to be loaded, thought of as a box. */
export interface Cargo {
  id: string;
  size: Extent;
  /** Sides that may stand up; on each it may be turned round. */
  upright: readonly Upright[];
  /** What is soft may be pressed into other boxes of its volume. */
  shapes?: readonly Extent[];
  massG: number;
  /** What may lie on it in all, g; 0 for balloons, on which nothing lies. */
  bearsG: number;
  /** A bag of balloons: only other soft things lie on it. */
  isSoft?: boolean;
  /** The stop at which it comes off, the first is 1. */
  stop: number;
}

/** The room of a vehicle: a box, less what is built in, with a door at its far end. */
export interface CargoSpace extends Extent {
  /** Wheel arches, a sloping rear, a seat in use: nothing goes there; what is flat on top carries. */
  blocked: readonly PlacedBox[];
  door: { w: number; h: number };
  payloadG: number;
}

/** A thing in its place, in the order of loading. */
export interface Loaded extends PlacedBox {
  id: string;
}

/** The ways a thing may lie, each once. */
export function waysToLie({
  size,
  upright,
  shapes = [],
}: Pick<Cargo, 'size' | 'upright' | 'shapes'>): Extent[] {
  const ways = [size, ...shapes].flatMap(({ l, w, h }) =>
    upright.flatMap((side): Extent[] => {
      const [up, a, b] = side === 'h' ? [h, l, w] : side === 'w' ? [w, l, h] : [l, w, h];
      return [
        { l: a, w: b, h: up },
        { l: b, w: a, h: up },
      ];
    }),
  );
  const key = (one: Extent) => `${one.l} ${one.w} ${one.h}`;
  return [...new Map(ways.map((one) => [key(one), one])).values()];
}

/** Whether a thing goes through a door in any of its shapes. */
export const goesIn = (
  { size, shapes = [] }: Pick<Cargo, 'size' | 'shapes'>,
  door: CargoSpace['door'],
): boolean => [size, ...shapes].some((one) => goesThroughDoor(one, door));

/** Whether a box goes through a door: held any way round, its two shorter sides have to. */
function goesThroughDoor({ l, w, h }: Extent, door: CargoSpace['door']): boolean {
  const [a = 0, b = 0] = [l, w, h].sort((p, q) => p - q);
  const [c, d] = [door.w, door.h].sort((p, q) => p - q) as [number, number];
  return a <= c && b <= d;
}

export const volumeOf = ({ l, w, h }: Extent): number => l * w * h;

/** How far two stretches of a line overlap; 0 where they do not. */
const overlapAlong = (a: number, aLong: number, b: number, bLong: number): number =>
  Math.max(0, Math.min(a + aLong, b + bLong) - Math.max(a, b));

/** Whether two boxes have room in common; to touch is none. */
export const boxesMeet = (a: PlacedBox, b: PlacedBox): boolean =>
  overlapAlong(a.x, a.l, b.x, b.l) > 0 &&
  overlapAlong(a.y, a.w, b.y, b.w) > 0 &&
  overlapAlong(a.z, a.h, b.z, b.h) > 0;

/** How much of the floor plan two boxes share, mm². */
export const planOverlap = (a: PlacedBox, b: PlacedBox): number =>
  overlapAlong(a.x, a.l, b.x, b.l) * overlapAlong(a.y, a.w, b.y, b.w);
