import type { JobFile, Plan } from '@early-lantern/contract';
import { choiceCost } from '../day/choice-cost.ts';
import { shownTasks } from '../day/plan-day.ts';
import { draftPlan } from '../plan.ts';
import { demoJob } from '../test/samples.ts';

const ms = (iso: string) => Date.parse(iso);

/** Tasks that another person does, or that begin at another time by more than so many minutes. */
function moved(before: Plan, after: Plan, minutes: number): string[] {
  const known = new Map(before.tasks.map((task) => [task.id, task]));
  return after.tasks
    .filter((task) => {
      const old = known.get(task.id);
      const people = [...task.crew].sort().join();
      return (
        old &&
        ([...old.crew].sort().join() !== people ||
          Math.abs(ms(old.start) - ms(task.start)) > minutes * 60_000)
      );
    })
    .map(({ id }) => id);
}

/** A job whose plan has been on screen, then changed. */
function afterShown(file: JobFile, plan: Plan, edit: (file: JobFile) => void): JobFile {
  const changed = structuredClone(file);
  changed.job.clock = { ...changed.job.clock, shown: shownTasks(plan.tasks) };
  edit(changed);
  return changed;
}

test.each(['02-engine-shed', '03-glasshouse-night'])(
  '%s: a small edit moves little of the plan that was on screen, and costs no time',
  (name) => {
    const file = demoJob(name);
    const plan = draftPlan(file);
    for (const by of [0.3, -0.3, 0.6]) {
      const edited = afterShown(file, plan, ({ job }) => {
        for (const piece of job.pieces)
          if (piece.kind === 'organic-garland' && piece.fillers) piece.fillers.triosPerM += by;
      });
      const after = draftPlan(edited);
      expect(moved(plan, after, 5).length / after.tasks.length).toBeLessThan(0.1);
      expect(after.onTime.minutesInHand).toBe(plan.onTime.minutesInHand);
    }
  },
);

test('nothing edited, nothing moves; the plan shown in full once more is the same', () => {
  const file = demoJob('02-engine-shed');
  const plan = draftPlan(file);
  expect(moved(plan, draftPlan(afterShown(file, plan, () => {})), 0)).toEqual([]);
});

test('a task kept at the time and with the people it has moves nothing and costs nothing, whichever it is', () => {
  const file = demoJob('02-engine-shed');
  const plan = draftPlan(file);
  const ends = ['sign-off', 'load-out', 'drive-home', 'drive-out', 'drive-strike', 'strike', 'load-vehicle'];
  const some = plan.tasks.filter(({ id }, i) => ends.includes(id) || i % 9 === 0);
  expect(some.length).toBeGreaterThan(12);
  for (const { id, start, crew } of some) {
    const pinned = afterShown(file, plan, ({ job }) => {
      job.clock = { ...job.clock, pins: [{ task: id, start, ...(crew.length > 0 ? { crew } : {}) }] };
    });
    const after = draftPlan(pinned);
    expect([id, after.onTime.broken, moved(plan, after, 0)]).toEqual([id, null, []]);
    expect(choiceCost(pinned, id)).toBe(0);
  }
});
