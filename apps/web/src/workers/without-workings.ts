/**
 * A plan without its workings, as it goes to a screen: they are nearly half of it, and few are ever opened. Whoever opens
 * one asks for the whole plan.
 */
export function withoutWorkings<T>(part: T): T {
  if (Array.isArray(part)) return part.map(withoutWorkings) as T;
  if (typeof part !== 'object' || part === null) return part;
  return Object.fromEntries(
    Object.entries(part).map(([key, value]) => [key, key === 'working' ? [] : withoutWorkings(value)]),
  ) as T;
}
