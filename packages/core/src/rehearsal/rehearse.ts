import type { JobFile, Plan, Rehearsal, Task } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { seededRandom } from '../quantity/random.ts';
import { type Blow, blowOf, mishapsFor } from './mishaps.ts';
import { normal, pert, type Random } from './pert.ts';

const MINUTE_MS = 60_000;
/** A day on which one thing goes slowly, others do too: standard deviation of what all share. From memory. */
const DAY_SIGMA = 0.08;
/** Certainty that is wanted, per cent. From memory, an editable default. */
const WANTED_PCT = 95;
/** Width of a bar of the spread, minutes. */
const BAR_MIN = 10;
/** A night's gap: after it the crew begins at the planned hour, however early the day before was done. */
const NIGHT_MS = 4 * 60 * MINUTE_MS;

/** A task of the network: by number, with what it waits for. */
interface Node {
  task: Task;
  /** Tasks before it: by the work's own order, by each person, by each piece of gear. */
  after: number[];
  /** Not before, ms: its planned start where nothing holds it, or access; access moves with the house. */
  earliestMs: number;
  waitsForAccess: boolean;
}

/** Runs so far, to be shown and gone on with. */
export interface Rehearsing {
  /** Goes through so many more days. */
  run: (days: number) => void;
  readonly runs: number;
  result: () => Rehearsal;
}

/**
 * The planned day gone through again and again: every task takes what beta-PERT deals it, all share the day's pace,
 * things go wrong. Nobody starts before the plan's own order allows, nobody knows beforehand how long a thing takes.
 * @returns undefined where there is no plan to rehearse; the same seed gives the same days
 */
export function rehearsing(
  file: JobFile,
  plan: Pick<Plan, 'tasks' | 'onTime'>,
  seed = 1,
): Rehearsing | undefined {
  const nodes = networkOf(file, plan.tasks);
  const last = nodes.findIndex(({ task }) => task.id === 'sign-off');
  if (last < 0) return undefined;
  const doorsMs = Date.parse(plan.onTime.doors);
  const random = seededRandom(seed);
  const mishaps = mishapsFor(file);
  const ready: number[] = [];
  const decided = new Float64Array(nodes.length);
  const struck = mishaps.map(() => ({ runs: 0, sumMs: 0 }));
  const ends = new Float64Array(nodes.length);
  const held = new Int32Array(nodes.length);

  const oneDay = () => {
    const pace = Math.exp(DAY_SIGMA * normal(random) - DAY_SIGMA ** 2 / 2);
    const blows = mishaps.map((mishap) =>
      random() < mishap.chance ? blowOf(mishap, file, random) : undefined,
    );
    const hit = blows.filter((blow): blow is Blow => blow !== undefined);
    const accessLateMs = hit.reduce((sum, blow) => sum + blow.accessLateMin, 0) * MINUTE_MS;
    nodes.forEach((node, i) => {
      let start = node.earliestMs + (node.waitsForAccess ? accessLateMs : 0);
      held[i] = -1;
      for (const before of node.after) {
        if ((ends[before] as number) > start) {
          start = ends[before] as number;
          held[i] = before;
        }
      }
      ends[i] = start + lasts(node.task, pace, hit, random);
    });
    const done = ends[last] as number;
    ready.push(done);
    for (let i = last; i >= 0; i = held[i] as number) decided[i] = (decided[i] as number) + 1;
    blows.forEach((blow, i) => {
      const one = struck[i];
      if (blow && one) {
        one.runs += 1;
        one.sumMs += done;
      }
    });
  };

  return {
    run: (days) => {
      for (let i = 0; i < days; i++) oneDay();
    },
    get runs() {
      return ready.length;
    },
    result: () => {
      const sorted = Float64Array.from(ready).sort();
      const quantile = (share: number) =>
        sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] as number;
      const iso = (ms: number) =>
        DateTime.fromMillis(Math.round(ms / 1000) * 1000, { zone: file.workshop.timeZone }).toISO({
          suppressMilliseconds: true,
        }) as string;
      const all = ready.reduce((sum, ms) => sum + ms, 0);
      return {
        runs: ready.length,
        chance: ready.filter((ms) => ms <= doorsMs).length / ready.length,
        p10: iso(quantile(0.1)),
        p50: iso(quantile(0.5)),
        p90: iso(quantile(0.9)),
        spread: barsOf(sorted, doorsMs),
        byTask: nodes
          .map(({ task }, i) => ({ id: task.id, share: (decided[i] as number) / ready.length }))
          .filter(({ share }) => share > 0.005)
          .sort((a, b) => b.share - a.share),
        mishaps: mishaps.map(({ id, label }, i) => {
          const { runs, sumMs } = struck[i] as { runs: number; sumMs: number };
          const others = ready.length - runs;
          const put = runs > 0 && others > 0 ? sumMs / runs - (all - sumMs) / others : 0;
          return { id, label, runs, minutes: Number((put / MINUTE_MS).toFixed(1)) };
        }),
        earlierMin: Math.max(0, Math.ceil((quantile(WANTED_PCT / 100) - doorsMs) / MINUTE_MS)),
        wantedPct: WANTED_PCT,
      };
    },
  };
}

/** So many days at once. */
export function rehearse(
  file: JobFile,
  plan: Pick<Plan, 'tasks' | 'onTime'>,
  days: number,
  seed = 1,
): Rehearsal | null {
  const going = rehearsing(file, plan, seed);
  going?.run(days);
  return going?.result() ?? null;
}

/** What a task takes on one day, ms. */
function lasts(task: Task, pace: number, hit: readonly Blow[], random: Random): number {
  let factor = pace;
  let adds = 0;
  for (const blow of hit) {
    factor *= blow.factorOf(task);
    adds += blow.addsMin(task);
  }
  // Waiting for glue takes its hour whatever the day is like.
  if (task.quickS === task.slowS) return task.usualS * 1000;
  return pert(task.quickS, task.usualS, task.slowS, random) * 1000 * factor + adds * MINUTE_MS;
}

/** The plan's own order as a network, in an order in which everything comes after what it waits for. */
function networkOf({ job }: JobFile, tasks: readonly Task[]): Node[] {
  const setUp = tasks
    .filter((task) => Date.parse(task.start) < Date.parse(job.doors) || task.id === 'sign-off')
    .filter((task) => !['strike', 'look-over', 'drive-back', 'return-gear'].includes(task.id))
    .sort((a, b) => Date.parse(a.start) - Date.parse(b.start) || Date.parse(a.end) - Date.parse(b.end));
  const accessMs = Date.parse(job.access.from);
  const lastOf = new Map<string, number>();
  const byId = new Map(setUp.map((task, i) => [task.id, i]));
  return setUp.map((task, i): Node => {
    const shared = [...task.crew, ...task.gear].flatMap((id) => lastOf.get(id) ?? []);
    for (const id of [...task.crew, ...task.gear]) lastOf.set(id, i);
    const own = task.after.flatMap((id) => byId.get(id) ?? []).filter((before) => before < i);
    const after = [...new Set([...own, ...shared])];
    const startMs = Date.parse(task.start);
    const lastEnd = Math.max(-Infinity, ...after.map((before) => Date.parse(setUp[before]?.end ?? '')));
    // The first thing, and what follows a night, begins at its planned hour; the rest as soon as it can.
    const beginsAtPlan = after.length === 0 || startMs - lastEnd > NIGHT_MS;
    const fromAccess =
      task.place === 'site'
        ? accessMs
        : task.id === 'drive-out'
          ? accessMs - (Date.parse(task.end) - startMs)
          : -Infinity;
    return {
      task,
      after,
      earliestMs: Math.max(beginsAtPlan ? startMs : -Infinity, fromAccess),
      waitsForAccess: task.place === 'site',
    };
  });
}

function barsOf(sorted: Float64Array, doorsMs: number): Rehearsal['spread'] {
  const bars = new Map<number, number>();
  for (const ms of sorted) {
    const fromMin = Math.floor((doorsMs - ms) / MINUTE_MS / BAR_MIN) * BAR_MIN;
    bars.set(fromMin, (bars.get(fromMin) ?? 0) + 1);
  }
  const [least, most] = [Math.min(...bars.keys()), Math.max(...bars.keys())];
  const all: Rehearsal['spread'] = [];
  for (let fromMin = least; fromMin <= most; fromMin += BAR_MIN)
    all.push({ fromMin, runs: bars.get(fromMin) ?? 0 });
  return all;
}
