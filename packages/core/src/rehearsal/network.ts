import type { JobFile, Plan, Task } from '@early-lantern/contract';
import { earliestOnSite } from '../clock/arrival.ts';

const MINUTE_MS = 60_000;
/** A night's gap: after it the crew begins at the planned hour, however early the day before was done. */
const NIGHT_MS = 4 * 60 * MINUTE_MS;

/** A job with its tasks as planned, alone or as a part of its day. */
export interface RehearsedJob {
  file: JobFile;
  plan: Pick<Plan, 'tasks' | 'onTime'>;
}

/** What a task waits for: another one, because of the work's own order or because of somebody or something. */
interface Wait {
  node: number;
  /** The person or gear; undefined where the work itself asks for it. */
  for?: string;
}

/** A task of the network: by number, with what it waits for. */
export interface Node {
  task: Task;
  /** The number of its job. */
  job: number;
  after: Wait[];
  /** Not before, ms: its planned start where nothing holds it, or access; access moves with the house. */
  earliestMs: number;
  waitsForAccess: boolean;
}

const isStrike = ({ trip }: Task) => trip === 'strike';

/**
 * The plan's own order as a network, in an order in which everything comes after what it waits for. Of a job alone only
 * what leads to its sign-off; of several the strikes too, since they hold people and gear that others wait for.
 */
export function networkOf(jobs: readonly RehearsedJob[]): Node[] {
  const isAlone = jobs.length === 1;
  const all = jobs
    .flatMap(({ plan }, job) =>
      plan.tasks
        .filter(
          (task) =>
            !isAlone ||
            ((Date.parse(task.start) < Date.parse(plan.onTime.doors) || task.id === 'sign-off') &&
              !isStrike(task)),
        )
        .map((task) => ({ task, job, startMs: Date.parse(task.start), endMs: Date.parse(task.end) })),
    )
    .sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
  const lastOf = new Map<string, number>();
  const byId = new Map(all.map(({ task, job }, i) => [`${job}:${task.id}`, i]));
  return all.map(({ task, job, startMs, endMs }, i): Node => {
    const own = task.after
      .flatMap((id) => byId.get(`${job}:${id}`) ?? [])
      .filter((before) => before < i)
      .map((node): Wait => ({ node }));
    const shared = [...task.crew, ...task.gear].flatMap((id): Wait[] => {
      const node = lastOf.get(id);
      return node === undefined || own.some((one) => one.node === node) ? [] : [{ node, for: id }];
    });
    for (const id of [...task.crew, ...task.gear]) lastOf.set(id, i);
    const after = [...own, ...shared];
    const lastEnd = Math.max(-Infinity, ...after.map(({ node }) => all[node]?.endMs ?? 0));
    // The first thing, and what follows a night, begins at its planned hour; the rest as soon as it can.
    const beginsAtPlan = after.length === 0 || startMs - lastEnd > NIGHT_MS;
    const { job: head } = (jobs[job] as RehearsedJob).file;
    const opens = Date.parse(isStrike(task) ? head.strike.from : earliestOnSite(head));
    const arrives =
      task.id === 'drive-out' || task.id === 'drive-strike' ? opens - (endMs - startMs) : -Infinity;
    return {
      task,
      job,
      after,
      earliestMs: Math.max(beginsAtPlan ? startMs : -Infinity, task.place === 'site' ? opens : arrives),
      waitsForAccess: task.place === 'site' && !isStrike(task),
    };
  });
}
