/** Pipes begun before the best so far stands, with its bound. */
const MOST_BINS = 60_000;

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
export function fewestBins(
  sizes: readonly number[],
  room: number,
  alone: number,
  upTo: number,
  atLeast: number,
): { bins: number[][] | undefined; isProven: boolean } {
  const total = sizes.reduce((sum, size) => sum + size, 0);
  const order = sizes.map((_, i) => i).sort((a, b) => (sizes[b] as number) - (sizes[a] as number));
  let best: number[][] | undefined;
  let fewest = upTo;
  let begun = 0;

  /** Fills bins from what is left; `slack` is what they may still waste. */
  const fill = (left: readonly number[], done: number[][], slack: number): void => {
    const first = left[0];
    if (first === undefined) {
      best = done;
      fewest = done.length;
      return;
    }
    begun += 1;
    if (begun > MOST_BINS) return;
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
      if (begun > MOST_BINS) return;
    }
  };

  /** Every set, no two alike in sizes, that leaves at most `slack` of `space`; the fullest first. */
  const completions = (left: readonly number[], space: number, slack: number, isAlone: boolean) => {
    const found: { chosen: number[]; waste: number }[] = [];
    const sums = new Array<number>(left.length + 1).fill(0);
    for (let k = left.length - 1; k >= 0; k--)
      sums[k] = (sums[k + 1] as number) + (sizes[left[k] as number] as number);
    const add = (k: number, free: number, chosen: number[], hasAlone: boolean): void => {
      if (free - (sums[k] as number) > slack) return;
      if (k === left.length) {
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
  return { bins: best, isProven: begun <= MOST_BINS };
}
