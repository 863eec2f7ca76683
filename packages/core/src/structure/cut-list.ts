/** A length to be cut, metres. */
export interface Part {
  lengthM: number;
}

/** One stock length with the parts cut from it. */
interface Bar<P extends Part> {
  parts: P[];
  wasteM: number;
}

export interface CutPlan<P extends Part> {
  bars: Bar<P>[];
  /** No plan takes fewer stock lengths than this. */
  atLeast: number;
  /** Saw cuts; a part that ends where the stock ends needs none. */
  cuts: number;
}

/** Width that the saw takes, m. From memory, an editable default. */
export const KERF_M = 0.003;
/** Parts typed as halves of a stock length are cut so much short, all together, m. From memory, an editable default. */
export const SHORT_M = 0.004;
/** Lengths are compared to a tenth of a millimetre. */
const HAIR_M = 1e-4;
/** Branches looked at before the best so far stands, with its bound. About 40 parts are exact well below it. */
const MOST_BRANCHES = 200_000;

/**
 * Parts cut from the fewest stock lengths: branch and bound over where each part goes, the longest first, started
 * from first-fit decreasing and stopped at the lower bound of Martello and Toth (L2).
 *
 * Every part takes its length and the saw's kerf; the stock is a kerf longer, since the last part needs no cut behind,
 * and parts may together be a few millimetres short: one length cut in half makes two halves.
 * @throws RangeError for a part longer than the stock
 */
export function cutPlan<P extends Part>(parts: readonly P[], stockM: number, kerfM = KERF_M): CutPlan<P> {
  const room = stockM + kerfM + SHORT_M;
  const sorted = [...parts].sort((a, b) => b.lengthM - a.lengthM);
  const size = (part: Part) => part.lengthM + kerfM;
  const longest = sorted[0];
  if (longest && size(longest) > room + HAIR_M)
    throw new RangeError(`a part of ${longest.lengthM} m is longer than the stock of ${stockM} m`);
  const sizes = sorted.map(size);
  const atLeast = leastBars(sizes, room);
  let best = firstFit(sizes, room);
  if (best.length > atLeast) best = search(sizes, room, best, atLeast);
  const bars = best.map((indices) => {
    const mine = indices.map((i) => sorted[i] as P);
    const used = mine.reduce((sum, part) => sum + size(part), 0);
    return { parts: mine, wasteM: Math.max(0, Number((stockM + kerfM - used).toFixed(4))) };
  });
  const cuts = bars.reduce((sum, bar) => sum + bar.parts.length - (bar.wasteM <= HAIR_M ? 1 : 0), 0);
  return { bars, atLeast, cuts };
}

/** L2: parts over half a bar stand alone, and what is over a threshold cannot be filled up by what is below it. */
function leastBars(sizes: readonly number[], room: number): number {
  let least = Math.ceil(sizes.reduce((sum, size) => sum + size, 0) / room - 1e-9);
  for (const threshold of new Set([0, ...sizes.filter((size) => size <= room / 2)])) {
    const large = sizes.filter((size) => size > room - threshold + HAIR_M);
    const middle = sizes.filter((size) => size > room / 2 + HAIR_M && size <= room - threshold + HAIR_M);
    const small = sizes.filter((size) => size <= room / 2 + HAIR_M && size >= threshold);
    const free = middle.reduce((sum, size) => sum + room - size, 0);
    const over = small.reduce((sum, size) => sum + size, 0) - free;
    least = Math.max(least, large.length + middle.length + Math.max(0, Math.ceil(over / room - 1e-6)));
  }
  return least;
}

function firstFit(sizes: readonly number[], room: number): number[][] {
  const bars: { left: number; parts: number[] }[] = [];
  sizes.forEach((size, i) => {
    const bar = bars.find(({ left }) => size <= left + HAIR_M);
    if (bar) {
      bar.left -= size;
      bar.parts.push(i);
    } else bars.push({ left: room - size, parts: [i] });
  });
  return bars.map(({ parts }) => parts);
}

function search(sizes: readonly number[], room: number, start: number[][], atLeast: number): number[][] {
  let best = start;
  let branches = 0;
  const left: number[] = [];
  const parts: number[][] = [];
  const rest = sizes.map((_, i) => sizes.slice(i).reduce((sum, size) => sum + size, 0));
  const place = (i: number): boolean => {
    if (i === sizes.length) {
      best = parts.map((bar) => [...bar]);
      return best.length === atLeast;
    }
    branches += 1;
    if (branches > MOST_BRANCHES) return true;
    // What is left over in the open bars and the bars still allowed must take the rest.
    const openRoom = left.reduce((sum, one) => sum + Math.max(0, one), 0);
    const allowed = best.length - 1;
    if ((rest[i] as number) > openRoom + (allowed - left.length) * room + HAIR_M) return false;
    const size = sizes[i] as number;
    const tried = new Set<number>();
    for (let b = 0; b < left.length; b++) {
      const space = left[b] as number;
      const key = Math.round(space / HAIR_M);
      if (size > space + HAIR_M || tried.has(key)) continue;
      tried.add(key);
      left[b] = space - size;
      (parts[b] as number[]).push(i);
      if (place(i + 1)) return true;
      (parts[b] as number[]).pop();
      left[b] = space;
      // A part that fills a bar to the end is never better elsewhere.
      if (Math.abs(space - size) <= HAIR_M) return false;
    }
    if (left.length < allowed) {
      left.push(room - size);
      parts.push([i]);
      if (place(i + 1)) return true;
      left.pop();
      parts.pop();
    }
    return false;
  };
  place(0);
  return best;
}
