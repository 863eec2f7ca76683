import type { Plan, SiteEvent } from '@early-lantern/contract';
import type { Happened } from './happened.ts';
import { isSameGear } from './other-gear.ts';
import type { Replan } from './replan.ts';

/** The plan as the lead has changed it on the day: other times and hands; what is left out stands no longer in it. */
export function asReplanned<P extends Pick<Plan, 'tasks'>>(
  plan: P,
  { replanned }: Pick<Happened, 'replanned'>,
): P {
  if (!replanned) return plan;
  const { tasks, leftOut } = replanned.event;
  const anew = new Map(tasks.map((one) => [one.task, one]));
  const out = new Set(leftOut);
  return {
    ...plan,
    tasks: plan.tasks
      .filter(({ id }) => !out.has(id))
      .map((task) => {
        const {
          start = task.start,
          end = task.end,
          crew = task.crew,
          gear = task.gear,
        } = anew.get(task.id) ?? {};
        // Who waited for what is left out waits for what that waited for.
        const after = [...new Set(task.after.flatMap((id) => standingFor(plan, id, out)))];
        return { ...task, start, end, crew, gear, after };
      }),
  };
}

/** A task, or, where it is left out, those before it. */
function standingFor(plan: Pick<Plan, 'tasks'>, id: string, out: ReadonlySet<string>): string[] {
  if (!out.has(id)) return [id];
  const task = plan.tasks.find((one) => one.id === id);
  return task ? task.after.flatMap((before) => standingFor(plan, before, out)) : [];
}

/** A new plan as it is written into the log: what is still to be done, and what is left out. */
export function replanEvent(
  replan: Replan,
  happened: Happened,
  leftOut: readonly string[],
): Extract<SiteEvent, { kind: 'replanned' }> {
  const iso = (ms: number) => new Date(Math.round(ms)).toISOString();
  return {
    kind: 'replanned',
    tasks: [...replan.tasks.values()]
      .filter(({ task }) => !happened.tasks.has(task.id))
      .map(({ task, startMs, endMs, crew, gear }) => ({
        task: task.id,
        start: iso(startMs),
        end: iso(endMs),
        crew: [...crew],
        ...(isSameGear(task.gear, gear) ? {} : { gear: [...gear] }),
      })),
    leftOut: [...leftOut],
  };
}
