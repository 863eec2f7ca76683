import { readFileSync } from 'node:fs';
import type { JobFile } from '@early-lantern/contract';
import { draftPlan, planningDay, rehearsing, workedJob } from '@early-lantern/core';
import { compile } from '../packages/core/src/schedule/compiled.ts';
import { Search } from '../packages/core/src/schedule/search.ts';
import { asProblem, jobShops } from '../packages/core/src/test/job-shops.ts';
import { randomProject } from '../packages/core/src/test/projects.ts';

/**
 * Shortest makespans of thirty random projects of thirty activities, proven with the HiGHS solver: with one minute less
 * the time-indexed model has no solution, and the search has found that many.
 */
const optima: Record<string, number> = JSON.parse(
  readFileSync(new URL('../packages/core/src/test/project-optima.json', import.meta.url), 'utf8'),
);

const longest = ({ end }: { end: Float64Array }) => end.reduce((most, at) => Math.max(most, at), 0);

/** What a search of so many seconds finds. */
function found(problem: ReturnType<typeof randomProject>, seconds: number, bound: number, seed = 1) {
  const search = new Search(compile(problem), longest, { bound, seed });
  const started = performance.now();
  while (!search.isOver && performance.now() - started < seconds * 1000) search.run(100);
  return { cost: search.found.cost, ms: performance.now() - started, tried: search.tried };
}

/** The scheduler against proven and published optima, and on the demo's Saturday. */
export function benchClock(report: (what: string, value: string) => void): void {
  for (const seconds of [0.2, 1]) {
    let gap = 0;
    let tried = 0;
    let ms = 0;
    for (const [seed, optimum] of Object.entries(optima)) {
      const one = found(randomProject(30, Number(seed)), seconds, optimum);
      gap += one.cost / optimum - 1;
      tried += one.tried;
      ms += one.ms;
    }
    const count = Object.keys(optima).length;
    report(
      `scheduler: ${count} projects of 30 activities, mean above the proven optimum at ${seconds} s`,
      `${((100 * gap) / count).toFixed(3)} %, ${((1000 * ms) / tried).toFixed(1)} µs an order`,
    );
  }
  for (const [name, { rows, optimum }] of Object.entries(jobShops)) {
    const seconds = name === 'ft10' ? 5 : 0.2;
    const runs = [1, 2, 3].map((seed) => found(asProblem(rows), seconds, optimum, seed));
    report(
      `scheduler: job shop ${name}, published optimum ${optimum}, three seeds`,
      runs.map(({ cost, ms }) => `${cost} in ${ms.toFixed(0)} ms`).join(', '),
    );
  }
  benchSaturday(report);
}

function benchSaturday(report: (what: string, value: string) => void): void {
  const files = ['01-meadow-finish', '02-engine-shed'].map(
    (name): JobFile => JSON.parse(readFileSync(`demo/jobs/${name}.json`, 'utf8')),
  );
  const worked = files.map(workedJob);
  const late = (planning: ReturnType<typeof planningDay>) =>
    planning.result().jobs.reduce((sum, { tasks, onTime }, i) => {
      const file = files[i] as JobFile;
      const struck = tasks.findLast(({ id }) => id === 'carry-out');
      const minutes = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 60_000;
      return (
        sum +
        Math.max(0, minutes(file.job.doors, onTime.ready ?? '')) +
        minutes(file.job.strike.from, struck?.end ?? '')
      );
    }, 0);
  // As in a worker that has planned before.
  for (let i = 0; i < 5; i++) {
    const warm = planningDay(worked, 200);
    warm.run(200);
    warm.result();
  }
  const started = performance.now();
  const first = planningDay(worked, 1_000_000);
  first.run(2);
  first.result();
  report('demo Saturday together: first plan', `${(performance.now() - started).toFixed(0)} ms`);
  const began = performance.now();
  while (performance.now() - began < 1000) first.run(100);
  const atOne = late(first);
  while (performance.now() - began < 20_000) first.run(1000);
  const best = late(first);
  report(
    'demo Saturday together: minutes until all is down, at 1 s against 20 s',
    `${atOne} against ${best} (${((100 * (atOne - best)) / best).toFixed(1)} % above)`,
  );
  const file = files[1] as JobFile;
  const going = rehearsing([{ file, plan: draftPlan(file) }]);
  going?.run(1000);
  const since = performance.now();
  going?.run(10_000);
  report('rehearsal: 10,000 days of the engine shed', `${(performance.now() - since).toFixed(0)} ms`);
}
