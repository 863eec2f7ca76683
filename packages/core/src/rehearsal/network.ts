import type { JobFile, Plan, Task } from '@early-lantern/contract';
import { earliestOnSite } from '../clock/arrival.ts';

const MINUTE_MS = 60_000;

/** A job with its tasks as planned, alone or as a part of its day. */
export interface RehearsedJob {
  file: JobFile;
  plan: Pick<Plan, 'tasks' | 'onTime'>;
}

/** What a task waits for: another one, because of the work's own order or because of somebody or something. */
interface Wait {
  node: number;
  /** Time to let pass after it, ms. */
  lagMs: number;
  /** The person or gear; undefined where the work itself asks for it. */
  for?: string;
}

/** A task of the network: by number, with what it waits for. */
export interface Node {
  task: Task;
  /** The number of its job. */
  job: number;
  after: Wait[];
  /** Not before, ms: its planned hour where the plan lets time pass before it, or access; access moves with the house. */
  earliestMs: number;
  waitsForAccess: boolean;
}

const isStrike = ({ trip }: Task) => trip === 'strike';

/**
 * The plan's own order as a network, in an order in which everything comes after what it waits for. Of a job alone only
 * what leads to its sign-off and the way out; of several the strikes too, since they hold people and gear that others wait for.
 */
export function networkOf(jobs: readonly RehearsedJob[]): Node[] {
  const isAlone = jobs.length === 1;
  const all = jobs
    .flatMap(({ plan }, job) =>
      plan.tasks
        .filter(
          (task) =>
            !isAlone ||
            ((Date.parse(task.start) < Date.parse(plan.onTime.doors) ||
              task.id === 'sign-off' ||
              task.id === 'load-out') &&
              !isStrike(task)),
        )
        .map((task) => ({ task, job, startMs: Date.parse(task.start), endMs: Date.parse(task.end) })),
    )
    .sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
  const lastOf = new Map<string, number>();
  const byId = new Map(all.map(({ task, job }, i) => [`${job}:${task.id}`, i]));
  return all.map(({ task, job, startMs, endMs }, i): Node => {
    const own = task.after.flatMap((id): Wait[] => {
      const node = byId.get(`${job}:${id}`);
      return node === undefined || node >= i ? [] : [{ node, lagMs: (task.waits?.[id] ?? 0) * MINUTE_MS }];
    });
    const shared = [...task.crew, ...task.gear].flatMap((id): Wait[] => {
      const node = lastOf.get(id);
      return node === undefined || own.some((one) => one.node === node) ? [] : [{ node, lagMs: 0, for: id }];
    });
    for (const id of [...task.crew, ...task.gear]) lastOf.set(id, i);
    const after = [...own, ...shared];
    // Where the plan lets time pass, for a shift, a rest or fresh balloons, people come at its hour; else as soon as they can.
    const freeMs = Math.max(-Infinity, ...after.map(({ node, lagMs }) => (all[node]?.endMs ?? 0) + lagMs));
    const beginsAtPlan = startMs > freeMs;
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
