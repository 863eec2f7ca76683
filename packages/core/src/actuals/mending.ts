import type { JobFile, PersonId, PieceId, Plan, SiteEntry, Task } from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import { mendingTask, topUpTask, upTos } from './day-tasks.ts';
import type { Happened } from './happened.ts';
import data from './mending.json';

const MIN_MS = 60_000;

/** A fault that somebody saw, on a list to look at or not, with the task of mending it. */
export interface FaultSeen {
  /** The entry that says so. */
  entry: SiteEntry;
  /** The task that mends it. */
  task: string;
  piece: PieceId | undefined;
  text: string;
  /** It is a line of those to be looked at. */
  isListed: boolean;
}

/** Every fault that was seen and is not taken back, the earliest first: also what a task has mended. */
const faultsSeen = ({ looked, faults }: Pick<Happened, 'looked' | 'faults'>): FaultSeen[] =>
  [
    ...[...looked.values()]
      .filter(({ entry }) => entry.event.isFault)
      .map(({ entry }) => ({ entry, piece: entry.event.piece, text: entry.event.line, isListed: true })),
    ...faults.map((entry) => ({ entry, piece: entry.event.piece, text: entry.event.text, isListed: false })),
  ]
    .map((fault) => ({ ...fault, task: mendingTask(fault.entry.id) }))
    .sort((one, other) => Date.parse(one.entry.at) - Date.parse(other.entry.at));

/** Those that are still to be mended. */
export const faultsOpen = (happened: Happened): FaultSeen[] =>
  faultsSeen(happened).filter(({ task }) => happened.tasks.get(task)?.state !== 'done');

/**
 * The plan with what came up on the day: each fault that was seen, and what popped and is to be put in anew, is a task of whoever told it, and
 * sign-off waits for it. What popped at the bench is put in before everybody steps back; what pops after the sign-off is nobody's task.
 */
export function withMending<P extends Pick<Plan, 'tasks'> & Partial<Pick<Plan, 'cautions'>>>(
  plan: P,
  happened: Happened,
  file: Ways,
): P {
  const { crew } = file.job;
  const away = new Set(happened.absent.map(({ event }) => event.person));
  const whose = (by: PersonId) =>
    crew.includes(by) && !away.has(by) ? by : crew.find((id) => !away.has(id));
  const more = [...faultTasks(happened, whose), ...topUpTasks(plan, happened, file, whose)];
  if (more.length === 0) return plan;
  const ids = more.map(({ id }) => id);
  const tasks = plan.tasks.map((task) =>
    task.id === 'sign-off' ? { ...task, after: [...task.after, ...ids] } : task,
  );
  // Whoever mends a piece stands where those stood who put it up.
  const cautions = plan.cautions?.map((caution) => {
    const pieces = new Set(
      plan.tasks.flatMap(({ id, pieceId, place, trip }) =>
        pieceId && place === 'site' && trip === 'set-up' && caution.where.includes(id) ? [pieceId] : [],
      ),
    );
    const here = more.flatMap(({ id, pieceId }) => (pieceId && pieces.has(pieceId) ? [id] : []));
    return { ...caution, where: [...caution.where, ...here] };
  });
  return { ...plan, tasks: [...tasks, ...more], ...(cautions ? { cautions } : {}) };
}

type Ways = Pick<JobFile, 'job' | 'workshop'>;
type Whose = (by: PersonId) => PersonId | undefined;

const faultTasks = (happened: Happened, whose: Whose): Task[] =>
  faultsSeen(happened).map(({ entry, task, piece, text }) =>
    made(task, `Mend: ${text}`, Date.parse(entry.at), data.faultMin, whose(entry.by), piece),
  );

/** What popped of each product and is not put in anew, and such tasks as were begun or done. */
function topUpTasks({ tasks }: Pick<Plan, 'tasks'>, happened: Happened, file: Ways, whose: Whose): Task[] {
  const signedMs = happened.tasks.get('sign-off')?.untilMs ?? Infinity;
  return happened.pops.flatMap(({ nominalIn, colour, count }) => {
    const told = happened.popped.filter(
      ({ at, event }) =>
        event.nominalIn === nominalIn && event.colour === colour && Date.parse(at) <= signedMs,
    );
    const last = told.at(-1);
    if (!last) return [];
    const touched = upTos(nominalIn, colour, happened.tasks.keys());
    const put =
      happened.toppedUp.find((one) => one.nominalIn === nominalIn && one.colour === colour)?.count ?? 0;
    const before = Math.max(put, ...touched);
    const open = count > before ? [{ upTo: count, many: count - before }] : [];
    const begun = touched.map((upTo, i) => ({ upTo, many: upTo - (touched[i - 1] ?? 0) }));
    const pieces = new Set(
      told.flatMap(({ event }) => tasks.find(({ id }) => id === event.task)?.pieceId ?? []),
    );
    const [piece] = pieces.size === 1 ? pieces : [];
    const name = file.workshop.colours.find(({ id }) => id === colour)?.name ?? colour;
    return [...begun, ...open].map(({ upTo, many }) =>
      made(
        topUpTask(nominalIn, colour, upTo),
        `Blow and put in ${many} × ${sizeName(nominalIn)} ${name}`,
        putInMs(tasks, happened, Date.parse(last.at)),
        many * topUpMin(nominalIn),
        whose(last.by),
        piece,
      ),
    );
  });
}

/** At once where the place is being dressed; what popped before that, when everybody steps back, as the gaps are seen then. */
function putInMs(tasks: readonly Task[], happened: Happened, poppedMs: number): number {
  const isThere = tasks.some(({ id, stage, place }) => stage && place === 'site' && happened.tasks.has(id));
  const closing = tasks.find(({ id }) => id === 'step-back') ?? tasks.find(({ id }) => id === 'sign-off');
  if (isThere || !closing) return poppedMs;
  const anew = happened.replanned?.event.tasks.find(({ task }) => task === closing.id);
  return Math.max(poppedMs, Date.parse((anew ?? closing).start) - 1);
}

const topUpMin = (nominalIn: number): number =>
  data.topUpMin.find(({ uptoIn }) => nominalIn <= uptoIn)?.minutes ?? 0;

/** A task that nobody had planned, from a moment on. */
function made(
  id: string,
  label: string,
  atMs: number,
  minutes: number,
  who: PersonId | undefined,
  pieceId: PieceId | undefined,
): Task {
  const iso = (ms: number) => new Date(ms).toISOString();
  return {
    id,
    label,
    place: 'site',
    start: iso(atMs),
    end: iso(atMs + minutes * MIN_MS),
    crew: who ? [who] : [],
    gear: [],
    ...(pieceId ? { pieceId } : {}),
    after: [],
    trip: 'set-up',
    mayBeLeftOut: true,
    quickS: minutes * 60,
    usualS: minutes * 60,
    slowS: minutes * 120,
    why: { kind: 'free', ref: '' },
    cautions: [],
    working: [],
  };
}
