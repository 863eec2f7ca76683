import type { JobFile } from '@early-lantern/contract';

/** A stream of chance, 0 to below 1; the same seed gives the same (mulberry32, public domain). */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Values that somebody's mistake, another program or ill will puts where a number, text, date or list was. */
const ODD: readonly unknown[] = [
  0,
  -1,
  1e9,
  -1e308,
  1e308,
  0.1 + 0.2,
  Number.MIN_VALUE,
  2 ** 53,
  null,
  true,
  '',
  ' ',
  '0x10',
  '2,000',
  '=1+1',
  '\u0000',
  '\ud800',
  'x'.repeat(5000),
  '9999-12-31T23:59:59Z',
  '0000-01-01T00:00:00Z',
  '2027-06-19T17:30:00-05:00',
  '__proto__',
  [],
  {},
  Array.from({ length: 200 }, () => ({})),
];

/** Factors that leave a number one, and perhaps within its bounds. */
const FACTORS = [0, 0.01, 0.5, 2, 10, 100, -1];

interface Spot {
  parent: Record<string | number, unknown>;
  key: string | number;
}

/** Every place in a tree that has a value. */
function spotsIn(tree: unknown, found: Spot[] = []): Spot[] {
  if (typeof tree !== 'object' || tree === null) return found;
  for (const key of Object.keys(tree)) {
    const parent = tree as Record<string, unknown>;
    found.push({ parent, key });
    spotsIn(parent[key], found);
  }
  return found;
}

/**
 * A job file with one to three things changed as chance has it: values of another sort, numbers far off, things left out,
 * doubled, or put in each other's place. Some are still sound, most are not.
 */
export function mutated(file: JobFile, random: () => number): unknown {
  const copy = structuredClone(file) as unknown as Record<string, unknown>;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  for (let times = random() < 0.7 ? 1 : 1 + Math.floor(random() * 3); times > 0; times--) {
    // As often in the job as in all the rest, which is much larger.
    const spots = spotsIn(random() < 0.7 ? copy.job : copy);
    if (spots.length === 0) break;
    const { parent, key } = pick(spots);
    const was = parent[key];
    const way = random();
    if (typeof was === 'number' && way < 0.8) parent[key] = was * pick(FACTORS);
    else if (Array.isArray(was) && way < 0.5)
      parent[key] = way < 0.2 ? [...was, ...was] : way < 0.35 ? [] : Array.from({ length: 80 }, () => was[0]);
    else if (way < 0.6) delete parent[key];
    else if (way < 0.75) {
      const other = pick(spots);
      parent[key] = structuredClone(other.parent[other.key]);
    } else parent[key] = pick(ODD);
  }
  return copy;
}
