import type { Pack } from '@early-lantern/contract';

/** So many packs of each kind. */
export interface PackCover {
  packs: { pack: Pack; times: number }[];
  balloons: number;
  surplus: number;
  /** Sum of the prices; undefined where a pack has none. */
  price: number | undefined;
}

/**
 * Packs that cover a need: the cheapest, then the one that leaves least over, then the fewest packs. Exact, by dynamic
 * programming over the balloons still wanted. Without prices the least surplus decides.
 *
 * @param need balloons, 0 or more
 * @param packs one or more, counts above 0
 */
export function coverByPacks(need: number, packs: readonly Pack[]): PackCover {
  if (packs.length === 0) throw new RangeError('no packs to cover the need with');
  const priced = packs.every((pack) => pack.price !== undefined);
  const costs = packs.map((pack) => (priced ? (pack.price as number) : 0));
  // best[w]: the best way to have at least w balloons, by cost, then balloons bought, then packs opened.
  const best: { cost: number; balloons: number; opened: number; last: number }[] = [
    { cost: 0, balloons: 0, opened: 0, last: -1 },
  ];
  for (let wanted = 1; wanted <= need; wanted++) {
    let found = { cost: Infinity, balloons: Infinity, opened: Infinity, last: -1 };
    packs.forEach((pack, i) => {
      const before = best[Math.max(0, wanted - pack.count)] as typeof found;
      const tried = {
        cost: before.cost + (costs[i] as number),
        balloons: before.balloons + pack.count,
        opened: before.opened + 1,
        last: i,
      };
      if (isBetter(tried, found)) found = tried;
    });
    best.push(found);
  }
  const times = packs.map(() => 0);
  for (let left = need; left > 0; ) {
    const { last } = best[left] as (typeof best)[number];
    times[last] = (times[last] as number) + 1;
    left = Math.max(0, left - (packs[last] as Pack).count);
  }
  const { balloons, cost } = best[need] as (typeof best)[number];
  return {
    packs: packs.map((pack, i) => ({ pack, times: times[i] as number })).filter((one) => one.times > 0),
    balloons,
    surplus: balloons - need,
    price: priced ? cost : undefined,
  };
}

interface Way {
  cost: number;
  balloons: number;
  opened: number;
}

function isBetter(a: Way, b: Way): boolean {
  if (Math.abs(a.cost - b.cost) > 1e-9) return a.cost < b.cost;
  if (a.balloons !== b.balloons) return a.balloons < b.balloons;
  return a.opened < b.opened;
}
