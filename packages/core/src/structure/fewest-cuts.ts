import { type Effort, packInto } from './fewest-bars.ts';

/** Ways to fill a pipe to its end that are listed; beyond these nothing is proven. */
const MOST_FILLINGS = 5_000;
/** Steps of the fractional bound, and how far each goes. */
const BOUND_STEPS = 600;
const BOUND_STEP = 0.08;

/** Pipes alike in length: the room in each, whole units, and how many there are. */
interface Pipes {
  room: number;
  count: number;
}

/** A way to fill a pipe to its end: of which pipes, and how many parts of each size. */
interface Filling {
  pipes: number;
  parts: { size: number; count: number }[];
}

/** A pipe, the room in it, and its parts by index. */
export interface Bin {
  room: number;
  parts: number[];
}

interface Filled {
  /** Undefined where no better plan was found. */
  bins: Bin[] | undefined;
  /** Pipes filled to the end at best, in this plan or another. */
  atMost: number;
}

/**
 * Of all ways to cut parts from these pipes, one that fills most pipes to their end: each saves a cut.
 *
 * Lists every way to fill a pipe to its end, and chooses of them as many as go together (set packing) while what is
 * left still fits into the other pipes; if it does not, no more fillings mend that, for they too leave it there.
 * Branches are cut off where prices of the parts, found as of the fractional problem, cannot pay for a better plan.
 *
 * @param sizes of the parts, whole units; @param pipes all there are to cut from
 * @param isFull whether so much left over is nothing
 * @param known pipes filled to the end by a plan at hand: only a better one is looked for
 */
export function mostFilled(
  sizes: readonly number[],
  pipes: readonly Pipes[],
  isFull: (left: number) => boolean,
  known: number,
  effort: Effort,
): Filled {
  const kinds = [...new Set(sizes)].sort((a, b) => b - a);
  const owners = kinds.map((size) => sizes.flatMap((one, i) => (one === size ? [i] : [])));
  const counts = owners.map((indices) => indices.length);
  const listed = fillings(kinds, counts, pipes, isFull);
  const most = pipes.reduce((sum, { count }) => sum + count, 0);
  const prices = pricesOf(listed.all, counts, pipes);
  const bound = Math.min(most, worth(counts, pipes, prices, 0));
  if (!listed.isWhole) return { bins: undefined, atMost: Math.max(known, Math.min(most, sizes.length)) };

  const byLargest = kinds.map((_, kind) => listed.all.filter(({ parts }) => parts[0]?.size === kind));
  let best = known;
  let found:
    | { chosen: Filling[]; rest: { bins: number[][]; rooms: number[]; indices: number[] } }
    | undefined;

  /** What the parts and pipes left are put into, if they go. */
  const restOf = (left: readonly number[], free: readonly Pipes[]) => {
    const indices = left.flatMap((count, kind) => (owners[kind] as number[]).slice(0, count));
    const rooms = free.flatMap(({ room, count }) => new Array<number>(count).fill(room));
    const packed = packInto(
      indices.map((i) => sizes[i] as number),
      rooms,
      effort,
    );
    return packed.bins && { bins: packed.bins, rooms, indices };
  };

  const choose = (kind: number, from: number, left: number[], free: Pipes[], chosen: Filling[]): void => {
    if (chosen.length > best) {
      const rest = restOf(left, free);
      if (!rest) return;
      best = chosen.length;
      found = { chosen: [...chosen], rest };
    }
    const options = byLargest[kind];
    if (!options || best >= bound) return;
    if (chosen.length + worth(left, free, prices, kind) <= best) return;
    effort.left -= options.length;
    if (effort.left <= 0) return;
    for (let i = from; i < options.length; i++) {
      const option = options[i] as Filling;
      if (!takes(left, free, option)) continue;
      use(left, free, option, -1);
      chosen.push(option);
      choose(kind, i, left, free, chosen);
      chosen.pop();
      use(left, free, option, 1);
    }
    choose(kind + 1, 0, left, free, chosen);
  };
  choose(
    0,
    0,
    [...counts],
    pipes.map((one) => ({ ...one })),
    [],
  );

  const atMost = effort.left > 0 ? best : Math.max(best, bound);
  if (!found) return { bins: undefined, atMost };
  const unused = owners.map((indices) => [...indices].reverse());
  const bins = found.chosen.map(({ pipes: which, parts }) => ({
    room: (pipes[which] as Pipes).room,
    parts: parts.flatMap(({ size, count }) => (unused[size] as number[]).splice(0, count)),
  }));
  const { rest } = found;
  rest.bins.forEach((bin, b) => {
    bins.push({ room: rest.rooms[b] as number, parts: bin.map((i) => rest.indices[i] as number) });
  });
  return { bins, atMost };
}

const takes = (left: readonly number[], free: readonly Pipes[], { pipes, parts }: Filling) =>
  (free[pipes] as Pipes).count > 0 && parts.every(({ size, count }) => (left[size] as number) >= count);

function use(left: number[], free: readonly Pipes[], { pipes, parts }: Filling, by: 1 | -1): void {
  (free[pipes] as Pipes).count += by;
  for (const { size, count } of parts) left[size] = (left[size] as number) + by * count;
}

/** Every way to fill a pipe to its end. */
function fillings(
  kinds: readonly number[],
  counts: readonly number[],
  pipes: readonly Pipes[],
  isFull: (left: number) => boolean,
): { all: Filling[]; isWhole: boolean } {
  const all: Filling[] = [];
  const after = kinds.map((_, k) =>
    kinds.slice(k).reduce((sum, size, i) => sum + size * (counts[k + i] as number), 0),
  );
  let looked = 0;
  const fill = (which: number, kind: number, left: number, parts: Filling['parts']): void => {
    if (isFull(left)) {
      all.push({ pipes: which, parts: [...parts] });
      // With nothing to spare for one more part this is all; a part is longer than what may be short.
      return;
    }
    looked += 1;
    if (looked > 40 * MOST_FILLINGS || all.length > MOST_FILLINGS) return;
    if (kind === kinds.length || !isFull(Math.max(0, left - (after[kind] as number)))) return;
    const size = kinds[kind] as number;
    for (let count = Math.min(counts[kind] as number, Math.floor(left / size)); count > 0; count--) {
      parts.push({ size: kind, count });
      fill(which, kind + 1, left - count * size, parts);
      parts.pop();
    }
    fill(which, kind + 1, left, parts);
  };
  pipes.forEach(({ room, count }, which) => {
    if (count > 0) fill(which, 0, room, []);
  });
  return { all, isWhole: looked <= 40 * MOST_FILLINGS && all.length <= MOST_FILLINGS };
}

/** What a part of each size, and a pipe of each kind, is worth: no filling's parts and pipe come to less than 1. */
interface Prices {
  parts: number[];
  pipes: number[];
}

/** No plan made of parts from `kind` on has more fillings than they and the pipes are worth. */
function worth(left: readonly number[], free: readonly Pipes[], prices: Prices, kind: number): number {
  let sum = 1e-9;
  for (let k = kind; k < left.length; k++) sum += (left[k] as number) * (prices.parts[k] as number);
  for (const [k, { count }] of free.entries()) sum += count * (prices.pipes[k] as number);
  return Math.floor(sum);
}

/**
 * Prices by multiplicative weights: the filling that costs least is bought again and again, and what it uses becomes
 * dearer; the cheapest total met on the way, scaled until the cheapest filling costs 1, bounds every plan.
 * After Garg and Könemann, "Faster and simpler algorithms for multicommodity flow and other fractional packing
 * problems" (SIAM J. Computing 37, 2007), from memory.
 */
function pricesOf(all: readonly Filling[], counts: readonly number[], pipes: readonly Pipes[]): Prices {
  const parts = counts.map((count) => 1 / count);
  const ends = pipes.map(({ count }) => 1 / Math.max(1, count));
  const cost = ({ pipes: which, parts: used }: Filling) =>
    used.reduce((sum, { size, count }) => sum + count * (parts[size] as number), ends[which] as number);
  let best: { total: number; prices: Prices } = {
    total: Infinity,
    prices: { parts: parts.map(() => 0), pipes: ends.map(() => 0) },
  };
  if (all.length === 0) return best.prices;
  for (let step = 0; step < BOUND_STEPS; step++) {
    let cheapest = all[0] as Filling;
    let least = Infinity;
    for (const one of all) {
      const costs = cost(one);
      if (costs < least) [cheapest, least] = [one, costs];
    }
    const total =
      (parts.reduce((sum, price, k) => sum + price * (counts[k] as number), 0) +
        ends.reduce((sum, price, k) => sum + price * (pipes[k] as Pipes).count, 0)) /
      least;
    if (total < best.total) {
      const scaled = (price: number) => price / least;
      best = { total, prices: { parts: parts.map(scaled), pipes: ends.map(scaled) } };
    }
    for (const { size, count } of cheapest.parts)
      parts[size] = (parts[size] as number) * (1 + (BOUND_STEP * count) / (counts[size] as number));
    ends[cheapest.pipes] =
      (ends[cheapest.pipes] as number) *
      (1 + BOUND_STEP / Math.max(1, (pipes[cheapest.pipes] as Pipes).count));
  }
  return best.prices;
}
