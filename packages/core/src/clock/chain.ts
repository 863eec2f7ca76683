import type { Task } from '@early-lantern/contract';

/**
 * The critical chain: back from sign-off, each task with the one that ends just when it begins and that it waits for,
 * or that has one of its people or its gear. Whatever of it runs over moves the sign-off.
 * @returns ids of tasks, the last first; empty where nothing is signed off
 */
export function criticalChain(tasks: readonly Task[]): string[] {
  const chain: Task[] = [];
  let one = tasks.find(({ id }) => id === 'sign-off');
  while (one && !chain.includes(one)) {
    chain.push(one);
    one = before(one, tasks);
  }
  return chain.map(({ id }) => id);
}

/** Minutes that may lie between two tasks of a chain: what is away for a look belongs to it. */
const AWAY_MS = 10 * 60_000;

function before(one: Task, tasks: readonly Task[]): Task | undefined {
  const gap = (other: Task) => Date.parse(one.start) - Date.parse(other.end);
  const shares = (other: Task) =>
    [...one.crew, ...one.gear].some((id) => other.crew.includes(id) || other.gear.includes(id));
  const waited = tasks.filter(({ id }) => one.after.includes(id));
  const longest = (some: Task[]) =>
    some.sort(
      (a, b) => Date.parse(b.end) - Date.parse(b.start) - (Date.parse(a.end) - Date.parse(a.start)),
    )[0];
  return (
    longest(waited.filter((other) => gap(other) === 0)) ??
    longest(tasks.filter((other) => other !== one && gap(other) === 0 && shares(other))) ??
    longest(waited.filter((other) => gap(other) > 0 && gap(other) <= AWAY_MS))
  );
}
