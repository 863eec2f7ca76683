import type { ColourId, ColourShare, Mix } from '@early-lantern/contract';

/** A balloon that waits for its colour, metres on the elevation. */
export interface Uncoloured {
  xM: number;
  yM: number;
  rM: number;
  /** Towards the viewer. */
  zM?: number;
  colour: ColourId;
}

/** Balloons of one size in order along the line, with how many get each colour. */
export interface ColourGroup {
  balls: Uncoloured[];
  counts: readonly { colour: ColourId; count: number }[];
  clusterSize: number;
}

/**
 * Gives every balloon its colour by the plan; counts hold to the balloon.
 *
 * - `even`: farthest point first (Gonzalez, 1985): each colour, the rarest first, goes to the place farthest from all
 *   it already has, so that no two large ones clump and accents lie far apart.
 * - `blocks`: one colour for two or three clusters, then the one furthest behind its share.
 * - `weighted`: along the line each colour in the measure of its lean.
 *
 * A colour that goes singly is dealt first: at even steps along the line, each in the place most to the front.
 *
 * @param groups the largest size first
 */
export function planColours(
  groups: readonly ColourGroup[],
  plan: Mix['colourPlan'],
  colours: readonly ColourShare[],
  random: () => number,
): void {
  const scarce = colours.filter(({ singly }) => singly).map(({ colour }) => colour);
  const rest = scarce.length > 0 ? groups.map((group) => dealSingly(group, scarce)) : groups;
  if (plan === 'even') {
    const placed = new Map<string, Uncoloured[]>();
    for (const group of rest) spreadColours(group, placed, random);
  } else {
    const leans = new Map(
      colours.map((share) => [share.colour, plan === 'weighted' ? (share.lean ?? 0) : 0]),
    );
    for (const group of rest) dealAlong(group, plan === 'blocks', leans);
  }
}

/** Deals scarce colours; the group without them is left to the plan. */
function dealSingly({ balls, counts, clusterSize }: ColourGroup, scarce: readonly string[]): ColourGroup {
  let free = [...balls];
  const own = counts.filter(({ colour }) => scarce.includes(colour));
  for (const { colour, count } of own) {
    const taken = new Set<Uncoloured>();
    for (let i = 0; i < count; i++) {
      const step = free.slice(
        Math.floor((i * free.length) / count),
        Math.floor(((i + 1) * free.length) / count),
      );
      const front = step.reduce((best, ball) => ((ball.zM ?? 0) > (best.zM ?? 0) ? ball : best));
      front.colour = colour;
      taken.add(front);
    }
    free = free.filter((ball) => !taken.has(ball));
  }
  return { balls: free, counts: counts.filter((one) => !own.includes(one)), clusterSize };
}

function spreadColours(
  { balls, counts }: ColourGroup,
  placed: Map<string, Uncoloured[]>,
  random: () => number,
) {
  const free = new Set(balls);
  const rarestFirst = [...counts].sort((a, b) => a.count - b.count);
  rarestFirst.forEach(({ colour, count }, rank) => {
    const own = placed.get(colour) ?? [];
    placed.set(colour, own);
    const take = (ball: Uncoloured) => {
      ball.colour = colour;
      free.delete(ball);
      own.push(ball);
    };
    if (rank === rarestFirst.length - 1) {
      for (const ball of free) take(ball);
      return;
    }
    const nearest = new Map([...free].map((ball) => [ball, nearestTo(ball, own)]));
    for (let dealt = 0; dealt < count; dealt++) {
      const next = own.length === 0 ? pick(free, random) : farthest(nearest);
      take(next);
      nearest.delete(next);
      for (const [ball, before] of nearest) {
        const apart = Math.hypot(ball.xM - next.xM, ball.yM - next.yM);
        if (apart < before) nearest.set(ball, apart);
      }
    }
  });
}

const nearestTo = (ball: Uncoloured, others: readonly Uncoloured[]) =>
  others.reduce((best, one) => Math.min(best, Math.hypot(ball.xM - one.xM, ball.yM - one.yM)), Infinity);

function pick(free: ReadonlySet<Uncoloured>, random: () => number): Uncoloured {
  return [...free][Math.floor(random() * free.size)] as Uncoloured;
}

function farthest(nearest: ReadonlyMap<Uncoloured, number>): Uncoloured {
  let best: [Uncoloured | undefined, number] = [undefined, -1];
  for (const entry of nearest) if (entry[1] > best[1]) best = entry;
  return best[0] as Uncoloured;
}

/** Always the colour furthest behind what it should have by here: `share · (t + lean (t² − t))` of its balloons. */
function dealAlong(
  { balls, counts, clusterSize }: ColourGroup,
  inBlocks: boolean,
  leans: ReadonlyMap<string, number>,
): void {
  const left = counts.map((one) => one.count);
  const debt = (i: number, done: number) => {
    const { colour, count } = counts[i] as (typeof counts)[number];
    const t = (done + 1) / balls.length;
    const given = count - (left[i] as number);
    return left[i] === 0 ? -Infinity : count * (t + (leans.get(colour) ?? 0) * (t * t - t)) - given;
  };
  const furthestBehind = (done: number) =>
    counts.reduce((best, _, i) => (debt(i, done) > debt(best, done) ? i : best), 0);
  const block = inBlocks ? Math.max(2, Math.round(clusterSize * 0.8)) : 1;
  let current = -1;
  balls.forEach((ball, done) => {
    if (current < 0 || done % block === 0 || left[current] === 0) current = furthestBehind(done);
    left[current] = (left[current] as number) - 1;
    ball.colour = (counts[current] as (typeof counts)[number]).colour;
  });
}

/** How well the colours are spread, as one would judge it from the front. */
export interface ColourSpread {
  /** Large balloons that touch a large one of their own colour, and how many large ones there are. */
  clumped: number;
  large: number;
  /** The colour with fewest balloons, and the least distance between two of them, metres. */
  rarest: string;
  rarestApartM: number;
}

/** Touching, with a little air for what the drawing rounds off. */
const TOUCHING = 1.05;
/** Balloons at least this share of the largest count as large. */
const LARGE_FROM = 0.75;

/** The measure of a placing; undefined where there is but one colour. */
export function colourSpread(balls: readonly Uncoloured[]): ColourSpread | undefined {
  const counts = new Map<string, number>();
  for (const { colour } of balls) counts.set(colour, (counts.get(colour) ?? 0) + 1);
  if (counts.size < 2) return undefined;
  const largestR = Math.max(...balls.map((ball) => ball.rM));
  const large = balls.filter((ball) => ball.rM >= LARGE_FROM * largestR);
  const touches = (a: Uncoloured, b: Uncoloured) =>
    a !== b && a.colour === b.colour && Math.hypot(a.xM - b.xM, a.yM - b.yM) < (a.rM + b.rM) * TOUCHING;
  const rarest = ([...counts].sort((a, b) => a[1] - b[1])[0] as [string, number])[0];
  const few = balls.filter((ball) => ball.colour === rarest);
  return {
    clumped: large.filter((a) => large.some((b) => touches(a, b))).length,
    large: large.length,
    rarest,
    rarestApartM: few.reduce(
      (least, a, i) => Math.min(least, nearestTo(a, few.slice(i + 1))),
      Number.POSITIVE_INFINITY,
    ),
  };
}
