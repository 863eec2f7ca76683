import type { ActualRow, JobFile, Plan, Schools, Task } from '@early-lantern/contract';
import { schoolsOf } from '../piece/recipe-of.ts';
import { isMending } from './day-tasks.ts';
import type { Happened } from './happened.ts';
import { workedMin } from './spells.ts';

const MIN_MS = 60_000;

/**
 * Planned against actual, one line for each task and person who was to do it or did it: what was done by nobody who was asked to
 * stands with nobody's times. Times are UTC, spans minutes.
 *
 * @param nowMs ms since 1970: whoever is on a task still has been until then
 */
export function actualRows(file: JobFile, plan: Plan, happened: Happened, nowMs: number): ActualRow[] {
  const names = new Map(file.workshop.crew.map(({ id, name }) => [id as string, name]));
  const kinds = new Map(plan.pieces.map(({ id, kind }) => [id as string, kind]));
  return plan.tasks.flatMap((task) => {
    const record = happened.tasks.get(task.id);
    const people = [...new Set([...task.crew, ...(record?.spells.map(({ person }) => person) ?? [])])];
    return (people.length > 0 ? people : [undefined]).map((person): ActualRow => {
      const spells = record?.spells.filter((one) => one.person === person) ?? [];
      const isAsked = !isMending(task.id) && (person === undefined || task.crew.includes(person));
      return {
        task: task.id,
        label: task.label,
        pieceId: task.pieceId ?? '',
        kind: (task.pieceId && kinds.get(task.pieceId)) ?? '',
        stage: task.stage ?? '',
        person: (person && (names.get(person) ?? person)) ?? '',
        ...plannedOf(task, isAsked),
        start: spells.length > 0 ? iso(Math.min(...spells.map(({ fromMs }) => fromMs))) : '',
        end: endOf(spells, record?.untilMs ?? null),
        workedMin: spells.length > 0 ? tenths(workedMin(spells, nowMs)) : null,
        isDone: record?.state === 'done',
        note: notesOf(happened, task.id),
        ...techniquesOf(file, task),
      };
    });
  });
}

const NO_TECHNIQUE = {
  joining: '',
  tie: '',
  fillerFixing: '',
  sizing: '',
  inflatedAt: '',
  dressing: '',
  onPipe: '',
  bloom: '',
} satisfies Record<keyof Schools, ''>;

/** So that minutes can be compared by how a piece was made. */
function techniquesOf({ job, workshop }: JobFile, { pieceId }: Task) {
  const piece = job.pieces.find(({ id }) => id === pieceId);
  return piece ? schoolsOf(piece, workshop.schools) : NO_TECHNIQUE;
}

const plannedOf = (task: Task, isAsked: boolean) =>
  isAsked
    ? {
        plannedStart: iso(Date.parse(task.start)),
        plannedEnd: iso(Date.parse(task.end)),
        plannedMin: tenths((Date.parse(task.end) - Date.parse(task.start)) / MIN_MS),
      }
    : { plannedStart: '', plannedEnd: '', plannedMin: null };

/** When somebody's part was over; without a beginning only the tick is known. */
function endOf(spells: readonly { untilMs: number | null }[], doneMs: number | null): string {
  if (spells.length === 0) return doneMs === null ? '' : iso(doneMs);
  const ends = spells.flatMap(({ untilMs }) => untilMs ?? []);
  return ends.length === spells.length ? iso(Math.max(...ends)) : '';
}

const notesOf = ({ notes, stuck, nearMisses }: Happened, task: string): string =>
  [...notes, ...stuck, ...nearMisses]
    .filter(({ event }) => event.task === task)
    .map(({ event }) => event.text)
    .join('; ');

const iso = (ms: number) => new Date(ms).toISOString();
const tenths = (minutes: number) => Math.round(minutes * 10) / 10;
