import { earliestEnd } from '../schedule/bound.ts';
import { type Compiled, compile } from '../schedule/compiled.ts';
import { inDay, type WorkedJob } from './day-job.ts';
import { type DayProblem, dayProblem } from './day-problem.ts';

/** No plan of these people in these windows leaves a job of the day more minutes in hand; null where nothing limits it. */
export function boundOf({ jobs }: DayProblem, compiled: Compiled, job: number): number | null {
  const { file, doors, access } = jobs[job] as DayProblem['jobs'][number];
  const find = (task: string) => compiled.ids.indexOf(inDay(file.job.id, task));
  const [signOff, loadOut] = [find('sign-off'), find('load-out')];
  const ready = earliestEnd(compiled, signOff);
  const out = loadOut < 0 ? ready : earliestEnd(compiled, loadOut);
  const most = Math.min(doors - ready, access.until - out);
  return Number.isFinite(most) ? Math.floor(most) : null;
}

/** The same for a job by itself, as if nothing had been chosen by hand. */
export function mostInHand({ file, pieces }: WorkedJob): number | null {
  if (pieces.length === 0) return null;
  const { clock: _, ...job } = file.job;
  const day = dayProblem([{ file: { ...file, job }, pieces }]);
  return boundOf(day, compile(day.problem), 0);
}
