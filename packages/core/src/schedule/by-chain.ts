import { type Compiled, inOrder } from './compiled.ts';

/** By so little one goes before the other, minutes. */
const A_LITTLE = 1e-3;

/**
 * An order to begin with: of what is free, the longest chain of work after it first.
 *
 * @param turns pairs of which the first is to go before the second, as if its chain were the longer; together with what
 *   waits for what they make no circle
 */
export function byChain(problem: Compiled, turns: readonly (readonly [number, number])[] = []): number[] {
  const order = inOrder(problem);
  const least = new Float64Array(problem.count);
  let tail = chains(problem, order, least);
  // Each round settles at least one more of those that are to go first.
  for (let round = 0; round < turns.length; round++) {
    const wrong = turns.filter(([first, next]) => (tail[first] as number) <= (tail[next] as number));
    if (wrong.length === 0) break;
    for (const [first, next] of wrong)
      least[first] = Math.max(least[first] as number, (tail[next] as number) + A_LITTLE);
    tail = chains(problem, order, least);
  }
  const rank = new Int32Array(problem.count);
  for (const [at, i] of order.entries()) rank[i] = at;
  return [...order].sort(
    (a, b) => (tail[b] as number) - (tail[a] as number) || (rank[a] as number) - (rank[b] as number),
  );
}

/** Minutes of the longest chain of work from the start of each to the end of all, at least so many. */
function chains(problem: Compiled, order: readonly number[], least: Float64Array): Float64Array {
  const tail = new Float64Array(problem.count);
  for (const i of [...order].reverse()) {
    const minutes = problem.modes[i]?.[0]?.minutes ?? 0;
    let longest = 0;
    for (const { to, min } of problem.after[i] as Compiled['after'][number])
      longest = Math.max(longest, min + (tail[to] as number));
    tail[i] = Math.max(least[i] as number, minutes + longest);
  }
  return tail;
}
