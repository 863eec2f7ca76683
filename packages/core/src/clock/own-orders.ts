import { waitsFor } from '../network/pieces.ts';
import type { Work } from './work.ts';

interface Order {
  first: string;
  next: string;
}

/** Work with some tasks put after others by hand; an order that goes round in a circle is passed over. */
export function withOwnOrders(work: readonly Work[], orders: readonly Order[]): Work[] {
  return orders.reduce<Work[]>(
    (all, { first, next }) =>
      canFollow(all, first, next)
        ? all.map((one) => (one.id === next ? { ...one, after: [...one.after, first] } : one))
        : all,
    [...work],
  );
}

/**
 * Why a task cannot come after another: the tasks by which the first one waits for it, from the first to the other;
 * empty where it can.
 */
export function whyNotFollow<T extends { id: string; after: readonly string[] }>(
  all: readonly T[],
  first: string,
  next: string,
): T[] {
  const byId = new Map(all.map((one) => [one.id, one]));
  const asked = new Set<string>();
  const chain = (id: string): T[] => {
    const one = byId.get(id);
    if (!one || asked.has(id)) return [];
    asked.add(id);
    if (id === next) return [one];
    for (const before of one.after) {
      const rest = chain(before);
      if (rest.length > 0) return [one, ...rest];
    }
    return [];
  };
  return chain(first);
}

/** Whether one task can be put after another: both are there, and the first does not wait for the other already. */
export function canFollow(
  all: readonly { id: string; after: readonly string[] }[],
  first: string,
  next: string,
): boolean {
  const find = (id: string) => all.find((one) => one.id === id);
  const follower = find(next);
  return (
    find(first) !== undefined &&
    follower !== undefined &&
    !follower.after.includes(first) &&
    !waitsFor(all, first, next)
  );
}
