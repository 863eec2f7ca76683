import type { JobFile, Plan, Task } from '@early-lantern/contract';
import ical, {
  type ICalCalendar,
  ICalCalendarMethod,
  ICalEventStatus,
  ICalEventTransparency,
} from 'ical-generator';
import { nameIn, namesFor } from '../clock/gear-names.ts';

interface Wanted {
  /** Only this person's tasks, by id; left out, everybody's. */
  person?: string;
  /** The moment it is written. */
  made: Date;
}

/** What the ids of our own entries end with. */
export const OWN_UIDS = '@early-lantern';

/** Revisions are counted in seconds from here on: a later file goes before an earlier one. RFC 5545, 3.8.7.4. */
const FIRST_MS = Date.UTC(2026, 0, 1);

/**
 * The tasks of a job as an iCalendar file, RFC 5545. A task keeps its UID for as long as it is the same task, so that a
 * calendar that reads a newer file moves its entries and adds none.
 */
export function calendarOf(file: JobFile, plan: Pick<Plan, 'tasks'>, { person, made }: Wanted): string {
  const { job, workshop } = file;
  const name = workshop.crew.find(({ id }) => id === person)?.name;
  const calendar = emptyCalendar(name ? `${job.name}: ${name}` : job.name);
  addTasks(calendar, file, plan, { made, ...(person ? { person } : {}) });
  return calendar.toString();
}

/** A job with its plan. */
interface Planned {
  file: JobFile;
  plan: Pick<Plan, 'tasks'>;
}

/** The tasks of one person on several jobs, in one calendar; each entry has the UID that it has in its job's own. */
export function calendarOfPerson(name: string, jobs: readonly Planned[], wanted: Required<Wanted>): string {
  const calendar = emptyCalendar(name);
  for (const { file, plan } of jobs) addTasks(calendar, file, plan, wanted);
  return calendar.toString();
}

const emptyCalendar = (name: string): ICalCalendar =>
  ical({
    // The library does not escape line ends here.
    name: name.replaceAll(/\s+/g, ' '),
    method: ICalCalendarMethod.PUBLISH,
    scale: 'GREGORIAN',
    prodId: { company: 'Early Lantern', product: 'Work plan', language: 'EN' },
  });

function addTasks(
  calendar: ICalCalendar,
  file: JobFile,
  plan: Pick<Plan, 'tasks'>,
  { person, made }: Wanted,
): void {
  const { job } = file;
  const tasks = plan.tasks.filter(({ crew }) => (person ? crew.includes(person) : true));
  const entry = (id: string, start: string, end: string) => ({
    id: `${job.id}.${id}${person ? `.${person}` : ''}${OWN_UIDS}`,
    stamp: made,
    sequence: Math.max(0, Math.floor((made.getTime() - FIRST_MS) / 1000)),
    start: new Date(start),
    end: new Date(end),
  });
  for (const task of tasks)
    calendar.createEvent({
      ...entry(task.id, task.start, task.end),
      summary: task.label,
      location: placeOf(task, file),
      description: describe(task, file),
      // Waiting for glue takes nobody's time.
      transparency: task.crew.length ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
    });
  for (const { id, start, end } of droppedTasks(file, tasks, person))
    calendar.createEvent({
      ...entry(id, start, end),
      summary: plan.tasks.find((task) => task.id === id)?.label ?? `${job.name}: no longer to be done`,
      status: ICalEventStatus.CANCELLED,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
}

/**
 * Tasks that a calendar may have from an earlier file and that are no more, or no more this person's: steps left out,
 * and those of the plan that was on screen before.
 */
function droppedTasks(
  { job }: JobFile,
  tasks: readonly Task[],
  person: string | undefined,
): { id: string; start: string; end: string }[] {
  const { shown = [], agreed, leftOut = [] } = job.clock ?? {};
  const kept = new Set(tasks.map(({ id }) => id));
  const before = [...(agreed?.tasks ?? []), ...shown];
  const theirs = before.filter(({ crew }) => !person || crew.includes(person)).map(({ task }) => task);
  return [...new Set([...leftOut, ...theirs])]
    .filter((id) => !kept.has(id))
    .map((id) => {
      const was = before.find(({ task }) => task === id);
      const start = was?.start ?? job.doors;
      return { id, start, end: was?.end ?? start };
    });
}

const placeOf = ({ place }: Task, { site, workshop }: JobFile): string =>
  place === 'workshop' ? workshop.name : place === 'road' ? `on the way to ${site.name}` : site.name;

function describe({ crew, gear }: Task, file: JobFile): string {
  const { job } = file;
  const names = namesFor(file);
  const nameOf = (id: string) => nameIn(id, names);
  const who = crew.length ? crew.map(nameOf).join(', ') : 'nobody';
  return [job.name, `Who: ${who}`, ...(gear.length ? [`With: ${gear.map(nameOf).join(', ')}`] : [])].join(
    '\n',
  );
}
