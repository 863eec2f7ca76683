import type { Compiled } from './compiled.ts';

/** What is taken of one kind over a stretch: by an activity, or by a hold. */
interface Claim {
  by: string;
  count: number;
  from: number;
  to: number;
}

interface Times {
  start: ArrayLike<number>;
  end: ArrayLike<number>;
  /** The way of each activity that decides it. */
  modes: ArrayLike<number>;
}

/** The claims of a kind, in the order of their starts. */
const inTurn = (problem: Compiled, schedule: Times, kind: number): Claim[] =>
  [...claimsOf(problem, schedule, kind)].sort((a, b) => a.from - b.from || a.to - b.to);

/**
 * Which piece of gear each activity and each hold has, once all have times: whoever starts first takes the first that
 * is free. A schedule that never takes more than there is always leaves enough.
 * @param items each kind's pieces, by id, in the problem's order of kinds
 * @param within for a kind that is one certain piece of another kind, that other kind's number; -1 for all others. Whoever
 *   wants that piece counts among those who want any, and gets it; the others go without it meanwhile.
 * @returns pieces by activity number (`a3`) and hold number (`h0`)
 */
export function assignGear(
  problem: Compiled,
  schedule: Times,
  items: readonly (readonly string[])[],
  within: readonly number[] = items.map(() => -1),
): Map<string, string[]> {
  const given = new Map<string, string[]>();
  for (const [kind, owned] of items.entries()) {
    // A certain piece is handed out with its kind.
    if ((within[kind] as number) >= 0) continue;
    const certain = items.flatMap((pieces, other) =>
      within[other] === kind
        ? inTurn(problem, schedule, other).map((claim) => ({ ...claim, item: pieces[0] as string }))
        : [],
    );
    const freeFrom = new Map(owned.map((item) => [item, -Infinity]));
    for (const { by, count, from, to } of inTurn(problem, schedule, kind)) {
      const own = certain.filter((claim) => claim.by === by).map(({ item }) => item);
      const isLeft = (item: string) =>
        (freeFrom.get(item) as number) <= from &&
        !certain.some((claim) => claim.item === item && claim.from < to && from < claim.to);
      const free = own.length > 0 ? own : owned.filter(isLeft).slice(0, count);
      for (const item of free) freeFrom.set(item, to);
      given.set(by, [...(given.get(by) ?? []), ...free]);
    }
  }
  return given;
}

function* claimsOf({ gear, holds }: Compiled, { start, end, modes }: Times, kind: number): Generator<Claim> {
  for (const [i, needs] of gear.entries())
    for (const [k, count] of needs)
      if (k === kind) yield { by: `a${i}`, count, from: start[i] as number, to: end[i] as number };
  for (const [h, hold] of holds.entries())
    for (const [k, count] of hold.gear[hold.leader < 0 ? 0 : (modes[hold.leader] as number)] ?? [])
      if (k === kind)
        yield { by: `h${h}`, count, from: start[hold.from] as number, to: end[hold.until] as number };
}
