import type { Weight } from '@early-lantern/contract';

/** Weights that make up the ballast of one base. */
export interface BallastSet {
  weights: { id: string; name: string; count: number }[];
  massKg: number;
}

/** Steps of mass that sets are told apart by, kg. */
const STEP_KG = 0.1;

/**
 * The fewest owned weights that make up at least `neededKg` on each of `bases` bases, then the least overshoot.
 * Undefined where what is owned does not reach. Exact: a table over masses, in steps of 0.1 kg.
 */
export function ballastFor(
  neededKg: number,
  weights: readonly Weight[],
  bases: number,
): BallastSet | undefined {
  if (neededKg <= 0) return { weights: [], massKg: 0 };
  const each = weights.map((one) => ({
    ...one,
    steps: Math.round(one.massKg / STEP_KG),
    perBase: Math.floor(one.count / Math.max(1, bases)),
  }));
  const need = Math.ceil(neededKg / STEP_KG - 1e-9);
  const most = need + Math.max(0, ...each.map(({ steps }) => steps));
  // fewest[m]: the least number of weights that make up m steps, and the last kind put on.
  const fewest: { count: number; used: number[] }[] = Array.from({ length: most + 1 }, () => ({
    count: Infinity,
    used: [],
  }));
  fewest[0] = { count: 0, used: each.map(() => 0) };
  each.forEach(({ steps, perBase }, kind) => {
    if (steps <= 0) return;
    for (let mass = steps; mass <= most; mass++) {
      const before = fewest[mass - steps] as { count: number; used: number[] };
      if (before.count === Infinity || (before.used[kind] as number) >= perBase) continue;
      if (before.count + 1 < (fewest[mass] as { count: number }).count) {
        fewest[mass] = {
          count: before.count + 1,
          used: before.used.map((count, i) => (i === kind ? count + 1 : count)),
        };
      }
    }
  });
  let best: number | undefined;
  for (let mass = need; mass <= most; mass++) {
    const { count } = fewest[mass] as { count: number };
    if (count < (best === undefined ? Infinity : (fewest[best] as { count: number }).count)) best = mass;
  }
  if (best === undefined) return undefined;
  const { used } = fewest[best] as { used: number[] };
  return {
    weights: each.flatMap(({ id, name }, i) => (used[i] ? [{ id, name, count: used[i] as number }] : [])),
    massKg: best * STEP_KG,
  };
}
