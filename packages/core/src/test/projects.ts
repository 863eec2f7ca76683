import { seededRandom } from '../quantity/random.ts';
import type { Activity, Problem } from '../schedule/problem.ts';

const KINDS = 4;

/**
 * A random project of so many activities: each waits for up to three of the ten before it, takes 1 to 10 minutes and
 * some of one to three of four kinds of gear, of which there is one to one and a half times what the greediest activity may ask for.
 */
export function randomProject(count: number, seed: number): Problem {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const activities = Array.from({ length: count }, (_, i): Activity => {
    const before = new Set<number>();
    for (let k = between(0, 3); k > 0 && i > 0; k--) before.add(between(Math.max(0, i - 10), i - 1));
    const gear: Record<string, number> = {};
    for (let k = between(1, 3); k > 0; k--) gear[`g${between(0, KINDS - 1)}`] = between(1, 10);
    return {
      id: `t${i}`,
      modes: [{ hands: 0, minutes: between(1, 10) }],
      skills: [],
      gear,
      after: [...before].map((j) => ({ id: `t${j}` })),
      earliest: 0,
    };
  });
  const gear = Object.fromEntries(
    Array.from({ length: KINDS }, (_, k) => [`g${k}`, between(10, 16)] as const),
  );
  return { activities, workers: [], gear };
}
