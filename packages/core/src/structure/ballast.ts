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
  // fewest[m]: the least number of weights that make up m steps, and how many of each kind; one kind after the other.
  let fewest: (number[] | undefined)[] = Array.from({ length: most + 1 }, (_, mass) =>
    mass === 0 ? [] : undefined,
  );
  for (const { steps, perBase } of each) {
    fewest = fewest.map((_, mass) => {
      let least: number[] | undefined;
      for (let count = 0; count <= perBase && count * steps <= mass; count++) {
        const before = fewest[mass - count * steps];
        if (before && (!least || sum(before) + count < sum(least))) least = [...before, count];
      }
      return least;
    });
  }
  let best: number | undefined;
  for (let mass = need; mass <= most; mass++) {
    const used = fewest[mass];
    if (used && (best === undefined || sum(used) < sum(fewest[best] as number[]))) best = mass;
  }
  if (best === undefined) return undefined;
  const used = fewest[best] as number[];
  return {
    weights: each.flatMap(({ id, name }, i) => (used[i] ? [{ id, name, count: used[i] as number }] : [])),
    massKg: best * STEP_KG,
  };
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0);
