import type { Plan, Task } from '@early-lantern/contract';
import { doneAtMs } from './done-at.ts';
import type { Happened } from './happened.ts';
import { openBefore } from './turns.ts';

/** Why a task is not to be begun or ticked yet. */
export type OutOfOrder =
  /** It would fall, or hurt somebody. */
  | { kind: 'refused'; first: Task[]; why: string }
  /** It could be meant so: whoever ticks it is asked. */
  | { kind: 'asked'; first: Task[]; why: string };

/** The house goes through the room and signs: what is not done then stays as it is. Common practice, no source. */
const CLOSING = new Set(['step-back', 'sign-off', 'load-out', 'load-vehicle', 'drive-out', 'return-gear']);

const needs = (count: number) => (count === 1 ? 'This is' : `These ${count} are`);

/**
 * What is against beginning or ticking a task now, where it matters: what carries it does not stand yet, a hook or glue has not had
 * its time, or everything should be done before. Else it is left to whoever does it in which order.
 *
 * @param nowMs ms since 1970
 */
export function outOfOrder(
  plan: Pick<Plan, 'tasks' | 'pieces'>,
  happened: Happened,
  task: Task,
  nowMs: number,
): OutOfOrder | undefined {
  const open = allOpenBefore(plan, happened, task, nowMs).filter(({ crew }) => crew.length > 0);
  const carries = open.filter((one) => carriesIt(plan, one, task));
  if (carries.length > 0)
    return {
      kind: 'refused',
      first: carries,
      why: `${carries.length === 1 ? 'This carries' : 'These carry'} it and must stand first.`,
    };
  const wait = longestWait(plan, happened, task, nowMs);
  if (wait)
    return {
      kind: 'asked',
      first: [wait.after],
      why:
        wait.after.crew.length === 0
          ? `${wait.leftMin} more min until it has taken.`
          : `Wait ${wait.leftMin} more min after this.`,
    };
  if (CLOSING.has(task.id) && open.length > 0)
    return { kind: 'asked', first: open, why: `${needs(open.length)} not done yet.` };
  return undefined;
}

/** Everything before a task that is not done, however far: what waits for something open is open itself. */
function allOpenBefore(plan: Pick<Plan, 'tasks'>, happened: Happened, task: Task, nowMs: number): Task[] {
  const found = new Set<Task>();
  const look = (one: Task) => {
    for (const before of openBefore(plan, happened, one, nowMs)) {
      if (found.has(before)) continue;
      found.add(before);
      look(before);
    }
  };
  look(task);
  return plan.tasks.filter((one) => found.has(one));
}

/** Whether a task sets up what another one is put on: its own frame or ties, or the piece that it hangs on. */
function carriesIt({ pieces }: Pick<Plan, 'pieces'>, carrier: Task, task: Task): boolean {
  if (carrier.trip !== task.trip || !task.pieceId || !carrier.pieceId) return false;
  if (carrier.pieceId === task.pieceId) return carrier.stage === 'frame' || carrier.stage === 'tie';
  return carriersOf(pieces, task.pieceId).has(carrier.pieceId);
}

/** Ids of the pieces that a piece hangs on, and of those that they do. */
function carriersOf(pieces: Plan['pieces'], pieceId: string, found = new Set<string>()): Set<string> {
  const piece = pieces.find(({ id }) => id === pieceId);
  for (const on of [piece?.on, piece?.alsoOn]) {
    if (!on || found.has(on.pieceId)) continue;
    found.add(on.pieceId);
    carriersOf(pieces, on.pieceId, found);
  }
  return found;
}

/** The wait that is over last, of those that are not over yet: minutes after a task, or what goes by itself. */
function longestWait(plan: Pick<Plan, 'tasks'>, happened: Happened, task: Task, nowMs: number) {
  const waits = plan.tasks
    .filter(({ id }) => task.after.includes(id))
    .flatMap((after) => {
      const doneMs = doneAtMs(plan, happened, after);
      if (doneMs === null) return [];
      const leftMin = Math.ceil((task.waits?.[after.id] ?? 0) - (nowMs - doneMs) / 60_000);
      return leftMin > 0 ? [{ after, leftMin }] : [];
    });
  return waits.sort((one, other) => other.leftMin - one.leftMin)[0];
}
