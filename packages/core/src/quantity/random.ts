/**
 * Repeatable uniform numbers in [0, 1) from a 32-bit seed: the same seed gives the same garland everywhere.
 * Source: "mulberry32", a public-domain mixing function; from memory. Good for placing, not for statistics.
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * A number in [0, 1) of its own for each thing of a seed, by what it is and its place among its like: one more of them
 * changes none of the others.
 */
export const keyedRandom = (seed: number, what: number, place: number): number =>
  seededRandom(seed ^ Math.imul(what + 1, 0x9e3779b1) ^ Math.imul(place + 1, 0x85ebca6b))();
