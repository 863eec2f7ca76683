/** What a search may still look at before its best so far stands: choices of what goes into a bin. */
export interface Effort {
  left: number;
}

/**
 * Puts all `sizes` into bins, each of its own room. Unequal ones are taken as bins of the largest room with a piece in
 * each that makes up the difference.
 * @returns for each bin the indices in it; undefined where they do not go; `isProven` unless the search was broken off
 */
export function packInto(
  sizes: readonly number[],
  rooms: readonly number[],
  effort: Effort,
): { bins: number[][] | undefined; isProven: boolean } {
  const largest = Math.max(0, ...rooms);
  const total = sizes.reduce((sum, size) => sum + size, 0);
  if (total > rooms.reduce((sum, room) => sum + room, 0) || sizes.some((size) => size > largest))
    return { bins: undefined, isProven: true };
  effort.left -= (sizes.length + rooms.length) ** 2;
  const quick = bestFit(sizes, rooms);
  if (quick) return { bins: quick, isProven: true };
  const most = rooms.length;
  const all = [...rooms.map((room) => largest - room), ...sizes];
  if (leastBins(all, largest) > most) return { bins: undefined, isProven: true };
  const { bins, isProven } = fewestBins(all, largest, most, most + 1, most, effort);
  if (!bins) return { bins, isProven };
  const into: number[][] = rooms.map(() => []);
  for (const bin of bins) {
    const own = bin.find((i) => i < most) as number;
    into[own] = bin.filter((i) => i >= most).map((i) => i - most);
  }
  return { bins: into, isProven: true };
}

/**
 * Fewest bins of `room`, whatever the packing, by Martello and Toth's L2: what is over a threshold cannot be filled up
 * by what is below it.
 */
function leastBins(sizes: readonly number[], room: number): number {
  let least = 0;
  for (const threshold of new Set([0, ...sizes.filter((size) => size <= room / 2)])) {
    const large = sizes.filter((size) => size > room - threshold);
    const middle = sizes.filter((size) => size > room / 2 && size <= room - threshold);
    const small = sizes.filter((size) => size <= room / 2 && size >= threshold);
    const free = middle.reduce((sum, size) => sum + room - size, 0);
    const over = small.reduce((sum, size) => sum + size, 0) - free;
    least = Math.max(least, large.length + middle.length + Math.max(0, Math.ceil(over / room)));
  }
  return least;
}

/** Piece after piece, the largest first, into the bin where it leaves least; undefined where one does not go. */
function bestFit(sizes: readonly number[], rooms: readonly number[]): number[][] | undefined {
  const left = [...rooms];
  const bins: number[][] = rooms.map(() => []);
  const order = sizes.map((_, i) => i).sort((a, b) => (sizes[b] as number) - (sizes[a] as number));
  for (const i of order) {
    const size = sizes[i] as number;
    let into = -1;
    for (const [b, room] of left.entries())
      if (room >= size && (into < 0 || room < (left[into] as number))) into = b;
    if (into < 0) return undefined;
    left[into] = (left[into] as number) - size;
    (bins[into] as number[]).push(i);
  }
  return bins;
}

/**
 * Fewest bins of `room` that hold all `sizes`, by bin completion: bin after bin takes the largest piece left and, in
 * every way that wastes little enough to need fewer bins than known, what fills it up.
 *
 * After Korf, "A new algorithm for optimal bin packing" (AAAI 2002), from memory: what a bin leaves empty is taken
 * from what all bins together may leave empty.
 * @param sizes whole units, none over `room`; @param alone the first so many never share a bin with each other
 * @param upTo a plan with so many bins is known; @param atLeast no plan has fewer
 * @returns the bins of a plan with fewer than `upTo`, by index into `sizes`, as few as there can be; undefined where
 * there is none; `isProven` unless the search was broken off
 */
function fewestBins(
  sizes: readonly number[],
  room: number,
  alone: number,
  upTo: number,
  atLeast: number,
  effort: Effort,
): { bins: number[][] | undefined; isProven: boolean } {
  const total = sizes.reduce((sum, size) => sum + size, 0);
  const order = sizes.map((_, i) => i).sort((a, b) => (sizes[b] as number) - (sizes[a] as number));
  let best: number[][] | undefined;
  let fewest = upTo;

  /** Fills bins from what is left; `slack` is what they may still waste. */
  const fill = (left: readonly number[], done: number[][], slack: number): void => {
    const first = left[0];
    if (first === undefined) {
      best = done;
      fewest = done.length;
      return;
    }
    const space = room - (sizes[first] as number);
    const others = left.slice(1);
    const isAlone = first < alone;
    const spent = upTo - fewest;
    for (const { chosen, waste } of completions(others, space, slack, isAlone)) {
      // A better plan found meanwhile leaves less to waste.
      const now = slack - (upTo - fewest - spent) * room;
      if (waste > now || fewest <= atLeast) continue;
      const taken = new Set(chosen);
      fill(
        others.filter((i) => !taken.has(i)),
        [...done, [first, ...chosen]],
        now - waste,
      );
      if (effort.left <= 0) return;
    }
  };

  /** Every set, no two alike in sizes, that leaves at most `slack` of `space`; the fullest first. */
  const completions = (left: readonly number[], space: number, slack: number, isAlone: boolean) => {
    const found: { chosen: number[]; waste: number }[] = [];
    const sums = new Array<number>(left.length + 1).fill(0);
    for (let k = left.length - 1; k >= 0; k--)
      sums[k] = (sums[k + 1] as number) + (sizes[left[k] as number] as number);
    const add = (k: number, free: number, chosen: number[], hasAlone: boolean): void => {
      effort.left -= 1;
      if (effort.left <= 0 || free - (sums[k] as number) > slack) return;
      if (k === left.length) {
        effort.left -= left.length;
        if (!isDominated(chosen, left, free, hasAlone)) found.push({ chosen, waste: free });
        return;
      }
      const i = left[k] as number;
      const size = sizes[i] as number;
      if (size <= free && !(hasAlone && i < alone))
        add(k + 1, free - size, [...chosen, i], hasAlone || i < alone);
      // Left out: then all alike are left out, or the same set comes again.
      let next = k + 1;
      while (
        next < left.length &&
        sizes[left[next] as number] === size &&
        (left[next] as number) >= alone === i >= alone
      )
        next++;
      add(next, free, chosen, hasAlone);
    };
    add(0, space, [], isAlone);
    return found.sort((a, b) => a.waste - b.waste);
  };

  /**
   * Whether a piece left out could go in besides, or in the place of one or two smaller ones: what they would take
   * elsewhere, it takes there, so the plan with it is no worse.
   */
  const isDominated = (chosen: readonly number[], left: readonly number[], free: number, hasAlone: boolean) =>
    left.some((out) => {
      if (chosen.includes(out) || (hasAlone && out < alone)) return false;
      const size = sizes[out] as number;
      const fits = (taken: number) => size > taken && size <= taken + free;
      return (
        size <= free ||
        chosen.some((a, i) => {
          const one = sizes[a] as number;
          return (
            a >= alone &&
            (fits(one) ||
              chosen
                .slice(i + 1)
                .some((b) => b >= alone && out >= alone && fits(one + (sizes[b] as number) - 1)))
          );
        })
      );
    });

  const slack = (fewest - 1) * room - total;
  if (slack >= 0 && fewest > atLeast) fill(order, [], slack);
  return { bins: best, isProven: effort.left > 0 };
}
