import type { JobFile, Plan, Task } from '@early-lantern/contract';
import { nameIn, namesFor } from '../clock/gear-names.ts';

interface Wanted {
  /** Only this person's tasks, by id; left out, everybody's. */
  person?: string;
  /** The moment it is written. */
  made: Date;
}

/** What the ids of our own entries end with. */
export const OWN_UIDS = '@early-lantern';

/** A line has at most so many octets; longer ones are folded. RFC 5545, 3.1. */
const MOST_OCTETS = 75;
/** Revisions are counted in seconds from here on: a later file goes before an earlier one. RFC 5545, 3.8.7.4. */
const FIRST_MS = Date.UTC(2026, 0, 1);

/**
 * The tasks of a job as an iCalendar file, RFC 5545. A task keeps its UID for as long as it is the same task, so that a
 * calendar that reads a newer file moves its entries and adds none.
 */
export function calendarOf(file: JobFile, plan: Pick<Plan, 'tasks'>, { person, made }: Wanted): string {
  const { job, workshop } = file;
  const tasks = plan.tasks.filter(({ crew }) => (person ? crew.includes(person) : true));
  const name = workshop.crew.find(({ id }) => id === person)?.name;
  const stamp = instant(made.toISOString());
  const sequence = Math.max(0, Math.floor((made.getTime() - FIRST_MS) / 1000));
  const head = (id: string, start: string, end: string) => [
    'BEGIN:VEVENT',
    `UID:${job.id}.${id}${person ? `.${person}` : ''}${OWN_UIDS}`,
    `DTSTAMP:${stamp}`,
    `SEQUENCE:${sequence}`,
    `DTSTART:${instant(start)}`,
    `DTEND:${instant(end)}`,
  ];
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Early Lantern//Work plan//EN',
    'CALSCALE:GREGORIAN',
    'METHOD:PUBLISH',
    `X-WR-CALNAME:${escaped(name ? `${job.name}: ${name}` : job.name)}`,
    ...tasks.flatMap((task) => [
      ...head(task.id, task.start, task.end),
      `SUMMARY:${escaped(task.label)}`,
      `LOCATION:${escaped(placeOf(task, file))}`,
      `DESCRIPTION:${escaped(describe(task, file))}`,
      // Waiting for glue takes nobody's time.
      `TRANSP:${task.crew.length ? 'OPAQUE' : 'TRANSPARENT'}`,
      'END:VEVENT',
    ]),
    ...droppedTasks(file, tasks, person).flatMap(({ id, start, end }) => [
      ...head(id, start, end),
      `SUMMARY:${escaped(plan.tasks.find((task) => task.id === id)?.label ?? `${job.name}: no longer to be done`)}`,
      'STATUS:CANCELLED',
      'TRANSP:TRANSPARENT',
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ];
  return `${lines.map(folded).join('\r\n')}\r\n`;
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

/** An instant in universal time: `20270619T143000Z`. */
const instant = (iso: string): string =>
  new Date(iso).toISOString().replace(/\.\d+/, '').replaceAll(/[-:]/g, '');

/** Text with what would end it escaped. RFC 5545, 3.3.11. */
const escaped = (text: string): string =>
  text.replaceAll(/[\\;,]/g, (char) => `\\${char}`).replaceAll(/\r?\n/g, '\\n');

/** A line cut into pieces that fit, no character cut in two; each further piece begins with a blank. */
function folded(line: string): string {
  const encoder = new TextEncoder();
  const pieces: string[] = [];
  let piece = '';
  let octets = 0;
  for (const char of line) {
    const size = encoder.encode(char).length;
    if (octets + size > MOST_OCTETS) {
      pieces.push(piece);
      piece = ' ';
      octets = 1;
    }
    piece += char;
    octets += size;
  }
  return [...pieces, piece].join('\r\n');
}
