import { fewestBins } from './fewest-bars.ts';

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
}

/** Width that the saw takes, m. From memory, an editable default. */
export const KERF_M = 0.003;
/** Parts typed as halves of a stock length are cut so much short, all together, m. From memory, an editable default. */
export const SHORT_M = 0.004;
/** Lengths are reckoned in tenths of a millimetre. */
const UNIT_M = 1e-4;
/** Branches looked at for fewer cuts before the best so far stands. */
const MOST_BRANCHES = 40_000;

const units = (metres: number): number => Math.round(metres / UNIT_M);
const SHORT = units(SHORT_M);

/**
 * Parts cut from pipes that are owned and, beyond those, from the fewest stock lengths; of such plans, the one with
 * the fewest cuts. Branch and bound over where each part goes, the longest first.
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
  const owned = [...ownedM].sort((a, b) => a - b);
  const found = new Search(sizes, owned.map(roomOf), room).run();
  const bars = found.bins.flatMap((indices, b): Bar<P>[] => {
    if (indices.length === 0) return [];
    const lengthM = owned[b] ?? stockM;
    const used = indices.reduce((sum, i) => sum + (sizes[i] as number), 0);
    const waste = units(lengthM) + kerf - used;
    return [
      {
        parts: indices.map((i) => sorted[i] as P),
        lengthM,
        isOwned: b < owned.length,
        wasteM: waste > 1 ? waste * UNIT_M : 0,
      },
    ];
  });
  const lengths = bars.filter((bar) => !bar.isOwned).length;
  return {
    bars,
    lengths,
    atLeast: found.isProven ? lengths : leastBars(sizes, owned.map(roomOf), room),
    cuts: bars.reduce((sum, bar) => sum + bar.parts.length - (bar.wasteM === 0 ? 1 : 0), 0),
  };
}

/** What is left of a pipe is nothing: its last part ends where it ends. */
const isFull = (left: number): boolean => left <= SHORT + 1;

/**
 * Fewest stock lengths, whatever the plan, by Martello and Toth's L2: what is over a threshold cannot be filled up by
 * what is below it. An owned pipe is taken as a stock length with a part in it that makes up the difference.
 */
function leastBars(sizes: readonly number[], owned: readonly number[], room: number): number {
  const all = [...sizes, ...owned.map((one) => Math.max(0, room - one))];
  let least = 0;
  for (const threshold of new Set([0, ...all.filter((size) => size <= room / 2)])) {
    const large = all.filter((size) => size > room - threshold);
    const middle = all.filter((size) => size > room / 2 && size <= room - threshold);
    const small = all.filter((size) => size <= room / 2 && size >= threshold);
    const free = middle.reduce((sum, size) => sum + room - size, 0);
    const over = small.reduce((sum, size) => sum + size, 0) - free;
    least = Math.max(least, large.length + middle.length + Math.max(0, Math.ceil(over / room)));
  }
  return Math.max(0, least - owned.length);
}

/** A first plan: pipe after pipe, the owned ones first, each with its longest part and as full as it goes with others. */
function asFullAsItGoes(sizes: readonly number[], owned: readonly number[], room: number) {
  const bins: number[][] = [];
  let left = sizes.map((_, i) => i);
  let [bought, full] = [0, 0];
  while (left.length > 0 || bins.length < owned.length) {
    const capacity = owned[bins.length] ?? room;
    const first = left.find((i) => (sizes[i] as number) <= capacity);
    const bin = first === undefined ? [] : [first, ...fullest(sizes, left, first, capacity)];
    const used = bin.reduce((sum, i) => sum + (sizes[i] as number), 0);
    if (bins.length >= owned.length) bought += 1;
    if (bin.length && isFull(capacity - used)) full += 1;
    bins.push(bin);
    left = left.filter((i) => !bin.includes(i));
  }
  return { bins, bought, full };
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

/** Bins are pipes: the owned ones first, then stock lengths as they are begun. Parts go in by falling size. */
class Search {
  private readonly left: number[];
  private readonly bins: number[][];
  /** Sizes of the part looked at and all after it. */
  private readonly rest: number[];
  /** For each part: how many sums of it and later parts lie at or below a length. Made when first asked. */
  private readonly sums: (Uint16Array | undefined)[];
  private best: { bins: number[][]; bought: number; full: number };
  private branches = 0;
  private readonly atLeast: number;
  /** Whether no plan can buy fewer than the best does. */
  private readonly isFewest: boolean;

  constructor(
    private readonly sizes: readonly number[],
    private readonly owned: readonly number[],
    private readonly room: number,
  ) {
    this.left = [...owned];
    this.bins = owned.map(() => []);
    this.rest = sizes.map((_, i) => sizes.slice(i).reduce((sum, size) => sum + size, 0));
    this.sums = sizes.map(() => undefined);
    this.atLeast = leastBars(sizes, owned, room);
    this.best = asFullAsItGoes(sizes, owned, room);
    this.isFewest = this.best.bought === this.atLeast || this.buyFewer();
  }

  run(): { bins: number[][]; isProven: boolean } {
    this.place(0, 0, 0);
    return { bins: this.best.bins, isProven: this.isFewest || this.branches <= MOST_BRANCHES };
  }

  /**
   * Looks for a plan that buys fewer than the first one; an owned pipe is taken as a stock length with a part in it
   * that makes up the difference. Whether the best then is proven to buy fewest.
   */
  private buyFewer(): boolean {
    const { owned, sizes, room } = this;
    if (owned.some((one) => one > room)) return false;
    const most = owned.length;
    const all = [...owned.map((one) => room - one), ...sizes];
    const found = fewestBins(all, room, most, this.best.bought + most, this.atLeast + most);
    if (found.bins) {
      const bins: number[][] = owned.map(() => []);
      for (const bin of found.bins) {
        const own = bin.find((i) => i < most);
        const parts = bin.filter((i) => i >= most).map((i) => i - most);
        if (own === undefined) bins.push(parts);
        else bins[own] = parts;
      }
      const room = (b: number) => owned[b] ?? this.room;
      const used = (bin: number[]) => bin.reduce((sum, i) => sum + (sizes[i] as number), 0);
      const full = bins.filter((bin, b) => bin.length && isFull(room(b) - used(bin))).length;
      this.best = { bins, bought: bins.length - most, full };
    }
    return found.isProven;
  }

  private place(i: number, bought: number, full: number): void {
    if (i === this.sizes.length) {
      if (bought < this.best.bought || full > this.best.full)
        this.best = { bins: this.bins.map((bin) => [...bin]), bought, full };
      return;
    }
    this.branches += 1;
    if (this.branches > MOST_BRANCHES || !this.canBeat(i, bought, full)) return;
    const size = this.sizes[i] as number;
    // The same part in a pipe with the same room left is the same plan; begun and whole owned ones count apart.
    const tried = new Set<number>();
    const order = this.left
      .map((left, b) => ({ left, b }))
      .filter(({ left }) => left >= size)
      .sort((a, b) => a.left - b.left);
    for (const { left, b } of order) {
      const key = left * 2 + (this.bins[b]?.length ? 1 : 0);
      if (tried.has(key)) continue;
      tried.add(key);
      this.put(i, b, size);
      this.place(i + 1, bought, full + (isFull(left - size) ? 1 : 0));
      this.take(b, size);
    }
    this.left.push(this.room);
    this.bins.push([]);
    const b = this.left.length - 1;
    this.put(i, b, size);
    this.place(i + 1, bought + 1, full + (isFull(this.room - size) ? 1 : 0));
    this.left.pop();
    this.bins.pop();
  }

  private put(i: number, b: number, size: number): void {
    this.left[b] = (this.left[b] as number) - size;
    (this.bins[b] as number[]).push(i);
  }

  private take(b: number, size: number): void {
    this.left[b] = (this.left[b] as number) + size;
    (this.bins[b] as number[]).pop();
  }

  /** Whether parts from `i` on could still make a plan that buys less, or as much with fewer cuts. */
  private canBeat(i: number, bought: number, full: number): boolean {
    const { best } = this;
    const smallest = this.sizes.at(-1) as number;
    const open = this.left.reduce((sum, left) => sum + (left >= smallest ? left : 0), 0);
    const more = Math.max(0, Math.ceil(((this.rest[i] as number) - open) / this.room));
    const least = Math.max(bought + more, this.isFewest ? best.bought : this.atLeast);
    if (least !== best.bought) return least < best.bought;
    // As many bought at best: only pipes that the parts left can fill to the end make it better.
    const fillable = this.left.filter((left) => !isFull(left) && this.canFill(i, left)).length;
    const spare = this.canFill(i, this.room) ? best.bought - bought : 0;
    return full + Math.min(fillable + spare, this.sizes.length - i) > best.full;
  }

  /** Whether some of the parts from `i` on come to `left`, give or take what may be short. */
  private canFill(i: number, left: number): boolean {
    const upTo = this.sumsFrom(i);
    const from = left - SHORT - 1;
    return (upTo[left] as number) - (from > 0 ? (upTo[from - 1] as number) : 0) > 0;
  }

  private sumsFrom(i: number): Uint16Array {
    const known = this.sums[i];
    if (known) return known;
    const most = Math.max(this.room, ...this.owned);
    const isSum = new Uint8Array(most + 1);
    isSum[0] = 1;
    for (const size of this.sizes.slice(i))
      for (let sum = most; sum >= size; sum--) if (isSum[sum - size]) isSum[sum] = 1;
    isSum[0] = 0;
    const upTo = new Uint16Array(most + 1);
    for (let sum = 1; sum <= most; sum++) upTo[sum] = (upTo[sum - 1] as number) + (isSum[sum] as number);
    this.sums[i] = upTo;
    return upTo;
  }
}
