import type { AgreedTask, JobFile, OnTime, Task } from '@early-lantern/contract';
import { plural } from '../quantity/plural.ts';
import { inHandWanted } from './day-problem.ts';
import { MOVED_MIN } from './nearest.ts';
import { overrunsOf } from './overruns.ts';

/** What a plan is judged by when another may take its place. */
interface Judged {
  tasks: readonly Task[];
  onTime: Pick<OnTime, 'ready' | 'minutesInHand'>;
  stuck: string | undefined;
}

/** A plan that gains less than this does not take the place of one that was agreed on, minutes. From memory. */
const WORTH_MOVING_MIN = 5;

/** The job with what was agreed for its day as a wish: the search begins there and stays near, but it is no law. */
export function asWish(file: JobFile): JobFile {
  const { agreed, ...choices } = file.job.clock ?? {};
  if (!agreed) return file;
  return { ...file, job: { ...file.job, clock: { ...choices, shown: agreed.tasks } } };
}

/** Whether a plan as agreed cannot be done, leaves a window, or has less to spare than is wanted and than it had. */
export function isShort(file: JobFile, { tasks, onTime, stuck }: Judged): boolean {
  const wanted = inHandWanted(file);
  const had = file.job.clock?.agreed?.inHandMin ?? wanted;
  return (
    stuck !== undefined ||
    overrunsOf(file, tasks, onTime).length > 0 ||
    (onTime.minutesInHand ?? -Infinity) < Math.min(wanted, had)
  );
}

/** Whether a repaired plan is so much better that tasks may move for it. */
export function isWorthMoving(file: JobFile, repaired: Judged, kept: Judged): boolean {
  if (repaired.stuck !== undefined) return false;
  if (kept.stuck !== undefined) return true;
  const over = (plan: Judged) =>
    overrunsOf(file, plan.tasks, plan.onTime).reduce((sum, { minutes }) => sum + minutes, 0);
  const gain = (repaired.onTime.minutesInHand ?? 0) - (kept.onTime.minutesInHand ?? 0);
  return over(repaired) < over(kept) || gain >= WORTH_MOVING_MIN;
}

/** Tasks that are at another time, or other people's, than was agreed; and those that are new. */
export function movedTasks(agreed: readonly AgreedTask[], tasks: readonly Task[]): Task[] {
  const known = new Map(agreed.map((one) => [one.task, one]));
  return tasks.filter(({ id, start, crew }) => {
    const before = known.get(id);
    if (!before) return true;
    const isLater = Math.abs(Date.parse(before.start) - Date.parse(start)) > MOVED_MIN * 60_000;
    return isLater || [...before.crew].sort().join() !== [...crew].sort().join();
  });
}

/** Minutes of all hands together; undefined where it was not said when it ends. */
const workOf = ({
  start,
  end,
  crew,
}: {
  start: string;
  end?: string | undefined;
  crew: readonly string[];
}) =>
  end === undefined ? undefined : Math.round((Date.parse(end) - Date.parse(start)) / 60_000) * crew.length;

/** Whole minutes and other hands make so much more of the same work: only what is beyond has grown. From memory. */
const GROWN = 1.3;

/** The task that is most more work than when it was agreed on, in words; undefined where none is. */
export function whatGrew(agreed: readonly AgreedTask[], tasks: readonly Task[]): string | undefined {
  const known = new Map(agreed.map((one) => [one.task, one]));
  const [most] = tasks
    .flatMap((task) => {
      const before = known.get(task.id);
      const was = before && workOf(before);
      const now = workOf(task) ?? 0;
      return was !== undefined && now > was * GROWN ? [{ label: task.label, was, now }] : [];
    })
    .sort((a, b) => b.now - b.was - (a.now - a.was));
  return most && `"${most.label}" is ${most.now} min of work where it was ${most.was}.`;
}

/** What moved of so many, in words: "3 of 63 tasks moved: Tie quads, Load the van, Drive". */
export function movedWords(moved: readonly Task[], all: readonly Task[]): string {
  const SHOWN = 3;
  const named = moved.slice(0, SHOWN).map(({ label }) => label);
  const more = moved.length > SHOWN ? ' and others' : '';
  return `${moved.length} of ${plural(all.length, 'task')} moved${named.length > 0 ? `: ${named.join(', ')}${more}` : ''}`;
}
