import { packInto } from './fewest-bars.ts';
import { type Bin, mostFilled } from './fewest-cuts.ts';

/** A length to be cut, metres. */
export interface Part {
  lengthM: number;
}

/** One length of pipe with the parts cut from it. */
interface Bar<P extends Part> {
  parts: P[];
  lengthM: number;
  /** Lay in the workshop; else it is a stock length to buy. */
  isOwned: boolean;
  wasteM: number;
}

export interface CutPlan<P extends Part> {
  bars: Bar<P>[];
  /** Stock lengths to buy. */
  lengths: number;
  /** No plan buys fewer. */
  atLeast: number;
  /** Saw cuts; a part that ends where its pipe ends needs none. */
  cuts: number;
  /** No plan with so few stock lengths saws less often. */
  cutsAtLeast: number;
}

/** Width that the saw takes, m. From memory, an editable default. */
export const KERF_M = 0.003;
/** Parts typed as halves of a stock length are cut so much short, all together, m. From memory, an editable default. */
export const SHORT_M = 0.004;
/** Lengths are reckoned in tenths of a millimetre. */
const UNIT_M = 1e-4;

/** Choices looked at for the fewest lengths, and again for the fewest cuts, before the best so far stands. */
const MOST_CHOICES = 4_000_000;

const units = (metres: number): number => Math.round(metres / UNIT_M);
const SHORT = units(SHORT_M);

/**
 * Parts cut from pipes that are owned and, beyond those, from the fewest stock lengths; of such plans, the one with
 * the fewest cuts.
 *
 * Every part takes its length and the saw's kerf; a pipe counts a kerf longer, since its last part needs no cut
 * behind, and parts may together be a few millimetres short: one length cut in half makes two halves.
 * @param stockM length sold; @param ownedM lengths in the workshop, whole or left over
 * @throws RangeError for a part longer than the stock
 */
export function cutPlan<P extends Part>(
  parts: readonly P[],
  stockM: number,
  ownedM: readonly number[] = [],
  kerfM = KERF_M,
): CutPlan<P> {
  const sorted = [...parts].sort((a, b) => b.lengthM - a.lengthM);
  const kerf = units(kerfM);
  const sizes = sorted.map(({ lengthM }) => units(lengthM) + kerf);
  const roomOf = (lengthM: number) => units(lengthM) + kerf + SHORT;
  const room = roomOf(stockM);
  const longest = sorted[0];
  if (longest && (sizes[0] as number) > room)
    throw new RangeError(`a part of ${longest.lengthM} m is longer than the stock of ${stockM} m`);
  const rooms = ownedM.map(roomOf).sort((a, b) => a - b);
  const fewest = fewestLengths(sizes, rooms, room);
  const all = [...rooms, ...new Array<number>(fewest.lengths).fill(room)];
  const filled = mostFilled(sizes, alike(all), isFull, fewest.full, { left: MOST_CHOICES });
  const lengthOf = new Map([...ownedM, stockM].map((lengthM) => [roomOf(lengthM), lengthM]));
  const unused = [...rooms];
  const bars = (filled.bins ?? fewest.bins).flatMap(({ room, parts: indices }): Bar<P>[] => {
    if (indices.length === 0) return [];
    const own = unused.indexOf(room);
    if (own >= 0) unused.splice(own, 1);
    const lengthM = lengthOf.get(room) as number;
    const waste = units(lengthM) + kerf - total(indices.map((i) => sizes[i] as number));
    return [
      {
        parts: indices.map((i) => sorted[i] as P),
        lengthM,
        isOwned: own >= 0,
        wasteM: waste > 1 ? waste * UNIT_M : 0,
      },
    ];
  });
  return {
    bars,
    lengths: bars.filter((bar) => !bar.isOwned).length,
    atLeast: fewest.atLeast,
    cuts: bars.reduce((sum, bar) => sum + bar.parts.length - (bar.wasteM === 0 ? 1 : 0), 0),
    cutsAtLeast: parts.length - filled.atMost,
  };
}

/** What is left of a pipe is nothing: its last part ends where it ends. */
const isFull = (left: number): boolean => left <= SHORT + 1;

const total = (sizes: readonly number[]): number => sizes.reduce((sum, size) => sum + size, 0);

/** Pipes of the same room counted together. */
const alike = (rooms: readonly number[]) =>
  [...new Set(rooms)].map((room) => ({ room, count: rooms.filter((one) => one === room).length }));

/** A plan that buys as few stock lengths as can be found, and how few it may take; how many of its pipes are full. */
function fewestLengths(sizes: readonly number[], owned: readonly number[], room: number) {
  const first = asFullAsItGoes(sizes, owned, room);
  const most = first.length - owned.length;
  let atLeast = 0;
  const effort = { left: MOST_CHOICES };
  for (let lengths = 0; lengths < most; lengths++) {
    const rooms = [...owned, ...new Array<number>(lengths).fill(room)];
    const packed = packInto(sizes, rooms, effort);
    if (packed.bins) {
      const bins = packed.bins.map((parts, b) => ({ room: rooms[b] as number, parts }));
      return { bins, lengths, atLeast, full: fullOf(bins, sizes) };
    }
    if (packed.isProven) atLeast = lengths + 1;
  }
  return { bins: first, lengths: most, atLeast, full: fullOf(first, sizes) };
}

/** How many pipes are cut up to their end. */
const fullOf = (bins: readonly Bin[], sizes: readonly number[]): number =>
  bins.filter(
    ({ room, parts }) => parts.length > 0 && isFull(room - total(parts.map((i) => sizes[i] as number))),
  ).length;

/** A first plan: pipe after pipe, the owned ones first, each with its longest part and as full as it goes with others. */
function asFullAsItGoes(sizes: readonly number[], owned: readonly number[], room: number): Bin[] {
  const bins: Bin[] = [];
  let left = sizes.map((_, i) => i);
  while (left.length > 0 || bins.length < owned.length) {
    const capacity = owned[bins.length] ?? room;
    const first = left.find((i) => (sizes[i] as number) <= capacity);
    const parts = first === undefined ? [] : [first, ...fullest(sizes, left, first, capacity)];
    bins.push({ room: capacity, parts });
    left = left.filter((i) => !parts.includes(i));
  }
  return bins;
}

/** Of the parts left, those that fill up a pipe with `first` in it furthest. */
function fullest(
  sizes: readonly number[],
  left: readonly number[],
  first: number,
  capacity: number,
): number[] {
  const space = capacity - (sizes[first] as number);
  // by[sum]: the part that reached a sum, and the sum before it.
  const by: ({ part: number; before: number } | undefined)[] = [];
  const reached = [0];
  for (const part of left) {
    if (part === first) continue;
    for (const before of [...reached]) {
      const sum = before + (sizes[part] as number);
      if (sum > space || by[sum]) continue;
      by[sum] = { part, before };
      reached.push(sum);
    }
  }
  const chosen: number[] = [];
  for (let sum = Math.max(...reached); sum > 0; sum = by[sum]?.before ?? 0)
    chosen.push(by[sum]?.part as number);
  return chosen;
}
