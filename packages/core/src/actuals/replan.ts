import type { PersonId, Task } from '@early-lantern/contract';
import { isDone } from './happened.ts';
import { isSameGear } from './other-gear.ts';
import { type Crews, type DayNow, type Projection, projected } from './projected.ts';

/**
 * A change of hands costs as much as so many minutes: whoever is moved has to be told, and to find where. From memory, an editable
 * default.
 */
const CHANGE_MIN = 4;
/** Changes tried; on a phone some tenths of a second. */
const MOST_TRIED = 1_500;
const MIN_MS = 60_000;

/** Who does what otherwise than planned. */
export interface HandsChange {
  task: Task;
  from: readonly PersonId[];
  to: readonly PersonId[];
}

/** A task that takes other gear than planned. */
export interface GearChange {
  task: Task;
  from: readonly string[];
  to: readonly string[];
}

/** The rest of the day planned anew. */
export interface Replan extends Projection {
  changes: HandsChange[];
  gearChanges: GearChange[];
  /** Tasks on a ladder or with heavy bases that were planned for two and have one: not to be done so. */
  needTwo: Task[];
}

/** Where somebody has to hold the ladder's foot or the other end (OSHA 29 CFR 1926.1053; lifting: common practice, no source). */
const TWO = new Set(['ladder', 'lifting']);

/**
 * Repairs the rest of the day with the least change to who does what: from the plan pushed back, one hand after the other is
 * moved as long as each brings sign-off forward by more than a change is worth (steepest descent over single replacements).
 */
export function replanned(day: DayNow): Replan {
  let crews: Crews = new Map();
  let best = projected(day);
  let tried = 0;
  for (;;) {
    let step: { crews: Crews; projection: Projection } | undefined;
    for (const next of oneHandMoved(day, crews, best)) {
      tried += 1;
      if (tried > MOST_TRIED) break;
      const projection = projected(day, next);
      if (costOf(projection, next) < costOf(step?.projection ?? best, step?.crews ?? crews))
        step = { crews: next, projection };
    }
    if (!step || tried > MOST_TRIED) break;
    ({ crews, projection: best } = step);
  }
  const changes = changesOf(day, best);
  const needTwo = changes
    .filter(
      ({ task, from, to }) => from.length > 1 && to.length < 2 && task.cautions.some((code) => TWO.has(code)),
    )
    .map(({ task }) => task);
  return { ...best, changes, gearChanges: gearChangesOf(best), needTwo };
}

/** Minutes from now to sign-off, and what the changes are worth. */
const costOf = ({ readyMs, impossible }: Projection, crews: Crews): number =>
  (readyMs ?? 0) / MIN_MS + CHANGE_MIN * crews.size + 1e6 * impossible.length;

/** Every plan with one hand of one open task exchanged, of those that sign-off waits for. */
function* oneHandMoved(day: DayNow, crews: Crews, { tasks }: Projection): Generator<Crews> {
  const { file, facts, happened } = day;
  for (const { task, crew } of tasks.values()) {
    const isOpen = !isDone(happened, task.id) && happened.tasks.get(task.id)?.state !== 'going';
    if (!isOpen || crew.length === 0 || task.trip === 'strike' || task.place === 'road') continue;
    for (const one of crew)
      for (const other of file.job.crew)
        if (!crew.includes(other) && !facts.absent.has(other))
          yield new Map([...crews, [task.id, crew.map((id) => (id === one ? other : id))]]);
  }
}

const gearChangesOf = ({ tasks }: Projection): GearChange[] =>
  [...tasks.values()].flatMap(({ task, gear, crew }) =>
    crew.length > 0 && !isSameGear(task.gear, gear)
      ? [
          {
            task,
            from: task.gear.filter((id) => !gear.includes(id)),
            to: gear.filter((id) => !task.gear.includes(id)),
          },
        ]
      : [],
  );

function changesOf({ happened }: DayNow, { tasks }: Projection): HandsChange[] {
  return [...tasks.values()].flatMap(({ task, crew }) => {
    const isOpen = !happened.tasks.has(task.id) || happened.tasks.get(task.id)?.state === 'paused';
    const isSame = crew.length === task.crew.length && crew.every((id) => task.crew.includes(id));
    return isOpen && !isSame ? [{ task, from: task.crew, to: crew }] : [];
  });
}
