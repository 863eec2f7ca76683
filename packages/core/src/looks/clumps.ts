import { seededRandom } from '../quantity/random.ts';

/** A picture in which each cell tells which ball is seen in it, −1 for none. */
export interface Owned {
  width: number;
  owner: Int32Array;
}

/** Balls of one colour side by side. */
export interface Patch {
  colour: string;
  balls: number[];
  /** As many a patch of the colour has at the most, in so many of a hundred dealings at random. */
  usual: number;
}

/** Dealings at random that a patch is held against. */
const DEALINGS = 100;
/** Fewer balls than this side by side nobody calls a clump. */
const FEWEST = 4;
/** Larger than chance has it by this much: a patch that is only just as large nobody sees. From memory. */
const MORE = 1.2;
/** Cells along which two balls must meet to be seen side by side. */
const SIDE_CELLS = 2;

/**
 * Patches of one colour that are larger than chance leaves them: the balls seen side by side, held against the same balls
 * with the same colours dealt at random among those of about one size, many times.
 * @param colours ball by ball
 * @param sizes ball by ball: colours are dealt among balls of one size
 * @param pct of dealings in which no patch of the colour is as large
 */
export function clumpsOf(
  picture: Owned,
  colours: readonly string[],
  sizes: readonly number[],
  pct: number,
  seed: number,
): Patch[] {
  const sides = sidesOf(picture, colours.length);
  const found = patchesOf(sides, colours).filter(({ balls }) => balls.length >= FEWEST);
  if (found.length === 0) return [];
  const largest = new Map<string, number[]>();
  const random = seededRandom(seed);
  for (let i = 0; i < DEALINGS; i++) {
    const most = new Map<string, number>();
    for (const { colour, balls } of patchesOf(sides, dealtAnew(colours, sizes, random)))
      most.set(colour, Math.max(most.get(colour) ?? 0, balls.length));
    for (const [colour, count] of most) largest.set(colour, [...(largest.get(colour) ?? []), count]);
  }
  const usualOf = (colour: string) => {
    const counts = (largest.get(colour) ?? []).sort((a, b) => a - b);
    return counts[Math.min(counts.length - 1, Math.ceil((pct / 100) * counts.length) - 1)] ?? 0;
  };
  return found
    .map((patch) => ({ ...patch, usual: usualOf(patch.colour) }))
    .filter(({ balls, usual }) => balls.length > MORE * usual)
    .sort((one, other) => other.balls.length - one.balls.length);
}

/** Pairs of balls that are seen side by side, two numbers each. */
function sidesOf({ width, owner }: Owned, count: number): Int32Array {
  const met = new Map<number, number>();
  const meet = (a: number, b: number) => {
    if (a < 0 || b < 0 || a === b) return;
    const key = Math.min(a, b) * count + Math.max(a, b);
    met.set(key, (met.get(key) ?? 0) + 1);
  };
  for (let c = 0; c < owner.length; c++) {
    const own = owner[c] as number;
    if (own < 0) continue;
    if ((c + 1) % width !== 0) meet(own, owner[c + 1] as number);
    if (c + width < owner.length) meet(own, owner[c + width] as number);
  }
  const sides: number[] = [];
  for (const [key, cells] of met) if (cells >= SIDE_CELLS) sides.push(Math.floor(key / count), key % count);
  return Int32Array.from(sides);
}

/** Balls of one colour that hang together by their sides. */
function patchesOf(sides: Int32Array, colours: readonly string[]): { colour: string; balls: number[] }[] {
  const parent = Int32Array.from(colours, (_, i) => i);
  const rootOf = (i: number) => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at] as number] as number;
      at = parent[at] as number;
    }
    return at;
  };
  const isSeen = new Uint8Array(colours.length);
  for (let s = 0; s < sides.length; s += 2) {
    const [a, b] = [sides[s] as number, sides[s + 1] as number];
    isSeen[a] = isSeen[b] = 1;
    if (colours[a] === colours[b]) parent[rootOf(a)] = rootOf(b);
  }
  const patches = new Map<number, number[]>();
  for (let i = 0; i < colours.length; i++) {
    if (!isSeen[i]) continue;
    const root = rootOf(i);
    const own = patches.get(root);
    if (own) own.push(i);
    else patches.set(root, [i]);
  }
  return [...patches].map(([root, balls]) => ({ colour: colours[root] as string, balls }));
}

/** The same colours in other places: dealt among the balls of each size. */
function dealtAnew(colours: readonly string[], sizes: readonly number[], random: () => number): string[] {
  const dealt = [...colours];
  const bySize = new Map<number, number[]>();
  sizes.forEach((size, i) => {
    const own = bySize.get(size);
    if (own) own.push(i);
    else bySize.set(size, [i]);
  });
  for (const own of bySize.values())
    for (let k = own.length - 1; k > 0; k--) {
      const j = Math.floor(random() * (k + 1));
      const [a, b] = [own[k] as number, own[j] as number];
      const colour = dealt[a] as string;
      dealt[a] = dealt[b] as string;
      dealt[b] = colour;
    }
  return dealt;
}
