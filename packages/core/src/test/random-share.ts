/**
 * How often something random is tried: a share of it as long as many tests wait for each other, all of it with
 * `LANTERN_RANDOM=all`.
 */
export const shareOf = (all: number): number =>
  process.env.LANTERN_RANDOM === 'all' ? all : Math.ceil(all * SHARE);

/** 150 of 500. */
const SHARE = 0.3;
