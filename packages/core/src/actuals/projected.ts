import type { JobFile, PackingRow, PersonId, Plan, Task } from '@early-lantern/contract';
import { freshRow } from '../loading/fresh-row.ts';
import type { DayFacts } from './day-facts.ts';
import { topUpOf } from './day-tasks.ts';
import { doneAtMs } from './done-at.ts';
import { type Happened, isDone, type TaskRecord } from './happened.ts';
import { otherGear } from './other-gear.ts';

const MIN_MS = 60_000;
/** Whoever has run over without saying by how much is believed to be nearly done: one more minute. */
const NEARLY_DONE_MS = MIN_MS;
/** After a longer break people come back when it was agreed, however early they were done before it. From memory, an editable default. */
const BREAK_MS = 45 * MIN_MS;

/** How a task comes out: as it was, where it is done. */
interface Projected {
  task: Task;
  startMs: number;
  endMs: number;
  crew: readonly PersonId[];
  /** What it takes: where a piece of gear is not here, another that will do. */
  gear: readonly string[];
}

/** Where the day is going, if everybody goes on as planned from now. */
export interface Projection {
  tasks: Map<string, Projected>;
  /** Sign-off, or the end of the set-up where there is none, ms; null without a task. */
  readyMs: number | null;
  /** Minutes from sign-off to doors, or from the way out to the end of access, whichever is less; null without a task. */
  spareMin: number | null;
  /** What cannot be done at all with who and what is there. */
  impossible: { task: Task; why: string }[];
}

/** Everything a projection is made from. */
export interface DayNow {
  file: Pick<JobFile, 'job' | 'workshop'>;
  /** With how full pieces are it is known what leaving fillers out does to that; with the packing list, what a lost bag stops. */
  plan: Pick<Plan, 'tasks'> & Partial<Pick<Plan, 'full' | 'packing'>>;
  happened: Happened;
  facts: DayFacts;
  /** ms since 1970. */
  nowMs: number;
}

/** Who does a task in the place of those who were to. */
export type Crews = ReadonlyMap<string, readonly PersonId[]>;

/**
 * The rest of the day from now: each task in the order of the plan, as soon as what it waits for is done and whoever and whatever it
 * takes is free (serial schedule generation with the plan's order as priority list: Kolisch, *Serial and parallel
 * resource-constrained project scheduling methods revisited*, 1996). Done tasks stand as they were; nothing of the strike begins before it was
 * to, and nothing on site before the house opens.
 *
 * With fewer hands than planned a task takes longer in proportion; with none left the first person who is free takes it.
 */
export function projected(day: DayNow, crews: Crews = new Map()): Projection {
  const { plan, happened, facts, nowMs } = day;
  const order = [...plan.tasks]
    .filter(({ id }) => !facts.leftOut.has(id) || isDone(happened, id))
    .sort((one, other) => Date.parse(one.start) - Date.parse(other.start));
  const free = new Map<string, number>();
  const ends = new Map<string, number>();
  const comesBack = afterBreaks(order);
  const tasks = new Map<string, Projected>();
  const impossible: Projection['impossible'] = [];
  const put = (one: Projected, isOver: boolean) => {
    tasks.set(one.task.id, one);
    ends.set(one.task.id, one.endMs);
    if (isOver) return;
    for (const id of [...one.crew, ...one.gear]) free.set(id, Math.max(free.get(id) ?? 0, one.endMs));
  };
  for (const task of order) {
    const record = happened.tasks.get(task.id);
    const overMs = task.crew.length === 0 ? doneAtMs(plan, happened, task) : null;
    if (record?.state === 'done') put(asItWas(task, record), true);
    // It goes by itself, and has begun.
    else if (overMs !== null)
      put({ task, startMs: overMs - lastsMs(task), endMs: overMs, crew: [], gear: [] }, true);
    else if (record?.state === 'going') put(goingOn(task, record, nowMs), false);
  }
  for (const task of order) {
    if (tasks.has(task.id)) continue;
    const found = placed(task, day, crews.get(task.id) ?? task.crew, free, ends, comesBack.has(task.id));
    if (found.why) impossible.push({ task, why: found.why });
    put({ task, ...found }, false);
  }
  return { tasks, ...outcome(day, tasks), impossible };
}

const lastsMs = ({ start, end }: Task) => Date.parse(end) - Date.parse(start);

function asItWas(task: Task, { fromMs, untilMs, spells }: TaskRecord): Projected {
  const endMs = untilMs ?? Date.parse(task.end);
  return {
    task,
    startMs: fromMs ?? endMs,
    endMs,
    crew: [...new Set(spells.map(({ person }) => person))],
    gear: task.gear,
  };
}

/** It ends when it was to, by how long it takes and what was said of it; never before now. */
function goingOn(task: Task, { fromMs, lateMin, spells }: TaskRecord, nowMs: number): Projected {
  const startMs = fromMs ?? nowMs;
  const planned = startMs + lastsMs(task) + lateMin * MIN_MS;
  const crew = spells.flatMap(({ person, untilMs }) => (untilMs === null ? [person] : []));
  return { task, startMs, endMs: Math.max(planned, nowMs + NEARLY_DONE_MS), crew, gear: task.gear };
}

/** When and by whom a task is done that nobody is on yet. */
function placed(
  task: Task,
  day: DayNow,
  wanted: readonly PersonId[],
  free: ReadonlyMap<string, number>,
  ends: ReadonlyMap<string, number>,
  isAgreed: boolean,
): Omit<Projected, 'task'> & { why?: string } {
  const { facts, happened } = day;
  const { gear, gone } = gearFor(task, day, free);
  const earliest = Math.max(
    earliestOf(task, day, isAgreed),
    ...task.after.map((id) => (ends.get(id) ?? 0) + (task.waits?.[id] ?? 0) * MIN_MS),
    ...gear.map((id) => free.get(id) ?? 0),
  );
  const startWith = (crew: readonly PersonId[]) => Math.max(earliest, ...crew.map((id) => free.get(id) ?? 0));
  const usual = lastsMs(task) + (happened.tasks.get(task.id)?.lateMin ?? 0) * MIN_MS;
  const put = (crew: readonly PersonId[], share: number, why?: string) => {
    const startMs = startWith(crew);
    return { startMs, endMs: startMs + usual * share, crew, gear, ...(why ? { why } : {}) };
  };
  if (gone) return put(wanted, 1, `It needs "${gone}", which is not here.`);
  const topUp = topUpOf(task.id);
  const fresh = topUp && freshRow(topUp);
  const lost = day.plan.packing?.find(
    ({ id, forTask, bag }) =>
      (forTask === task.id || id === fresh) && bag !== null && facts.goneBags.has(bag),
  );
  if (lost) return put(wanted, 1, `What it takes is in ${packedIn(lost)}, which is lost.`);
  const here = wanted.filter((id) => !facts.absent.has(id));
  if (wanted.length === 0 || (here.length === wanted.length && mayDo(task, here, day))) return put(here, 1);
  const others = substitutes(task, day, here);
  const fewer = here.length > 0 && mayDo(task, here, day) ? [put(here, wanted.length / here.length)] : [];
  const filled = others.map((one) => put([...here, one], wanted.length / (here.length + 1)));
  const [best] = [...fewer, ...filled].sort((one, other) => one.endMs - other.endMs);
  return (
    best ?? put(here, 1, task.place === 'road' ? 'Nobody who is here may drive.' : 'Nobody is here for it.')
  );
}

/** A bag by its sign, a crate by its name. */
const packedIn = ({ id, bag }: PackingRow): string => (id.startsWith('bag ') ? `bag ${bag}` : `the ${bag}`);

/** The gear of a task; in the place of what is not here the one that is free first of those that will do. */
function gearFor(
  { gear: wanted }: Task,
  { file, facts }: DayNow,
  free: ReadonlyMap<string, number>,
): { gear: string[]; gone: string | undefined } {
  let gone: string | undefined;
  const gear = wanted.map((id) => {
    if (!facts.goneGear.has(id)) return id;
    const [other] = otherGear(id, file, new Set([...facts.goneGear, ...wanted])).sort(
      (one, another) => (free.get(one) ?? 0) - (free.get(another) ?? 0),
    );
    gone ??= other ? undefined : id;
    return other ?? id;
  });
  return { gear, gone };
}

/** Whoever is here and not on it yet, where a task cannot do without; who drives must be allowed to. */
const substitutes = (task: Task, day: DayNow, here: readonly PersonId[]): PersonId[] =>
  day.file.job.crew.filter(
    (id) => !day.facts.absent.has(id) && !here.includes(id) && mayDo(task, [...here, id], day),
  );

/** On the road one of them drives. */
const mayDo = (task: Task, crew: readonly PersonId[], { file }: DayNow): boolean =>
  crew.length > 0 &&
  (task.place !== 'road' ||
    file.workshop.crew.some(({ id, skills }) => crew.includes(id) && skills.includes('driver')));

/** Tasks with which somebody of their crew comes back from a break, or begins. */
function afterBreaks(order: readonly Task[]): Set<string> {
  const left = new Map<PersonId, number>();
  const found = new Set<string>();
  for (const { id, crew, start, end } of order) {
    if (crew.some((person) => Date.parse(start) - (left.get(person) ?? 0) > BREAK_MS)) found.add(id);
    for (const person of crew) left.set(person, Math.max(left.get(person) ?? 0, Date.parse(end)));
  }
  return found;
}

/** Before when it is no use or not allowed to begin, whoever is free. @param isAgreed somebody comes for it at its time */
function earliestOf(task: Task, { facts, nowMs }: DayNow, isAgreed: boolean): number {
  const planned = Date.parse(task.start);
  // The van leaves as it was agreed, so that it arrives when the house opens.
  const isDriveOut = task.place === 'road' && planned < facts.accessMs;
  if (task.trip === 'strike' || isAgreed || isDriveOut) return Math.max(nowMs, planned);
  if (task.place !== 'site') return nowMs;
  // What has a stage is put up: it waits for dry weather, things may be carried in before.
  return Math.max(nowMs, facts.accessMs, task.stage ? facts.rainMs : 0);
}

function outcome({ file: { job } }: DayNow, tasks: ReadonlyMap<string, Projected>) {
  const setUp = [...tasks.values()].filter(({ task }) => task.trip === 'set-up' && task.place === 'site');
  const last = setUp.length > 0 ? Math.max(...setUp.map(({ endMs }) => endMs)) : null;
  const readyMs = tasks.get('sign-off')?.endMs ?? last;
  if (readyMs === null) return { readyMs, spareMin: null };
  const outMs = tasks.get('load-out')?.endMs ?? readyMs;
  const spare = Math.min(Date.parse(job.doors) - readyMs, Date.parse(job.access.until) - outMs);
  return { readyMs, spareMin: Math.round(spare / MIN_MS) };
}
