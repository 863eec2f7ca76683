import type { JobFile, Rehearsal, Task } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { seededRandom } from '../quantity/random.ts';
import { type Blow, blowOf, mishapsOfDay } from './mishaps.ts';
import { type Node, networkOf, type RehearsedJob } from './network.ts';
import { normal, pert, type Random } from './pert.ts';

const MINUTE_MS = 60_000;
/** A day on which one thing goes slowly, others do too: standard deviation of what all share. From memory. */
const DAY_SIGMA = 0.08;
/** Certainty that is wanted, per cent. From memory, an editable default. */
const WANTED_PCT = 95;
/** Width of a bar of the spread, minutes. */
const BAR_MIN = 10;

/** Runs so far, to be shown and gone on with. */
export interface Rehearsing {
  /** Goes through so many more days. */
  run: (days: number) => void;
  readonly runs: number;
  /** How each job comes out, in their order. */
  results: () => Rehearsal[];
}

/** How often each task and each person or thing decided, for one job. */
interface Tally {
  last: number;
  /** The way out; sign-off where nothing is carried out. */
  out: number;
  doorsMs: number;
  closesMs: number;
  ready: number[];
  /** To spare: from sign-off to doors, or from the way out to the close of access, whichever is tighter. */
  spareMs: number[];
  byTask: Float64Array;
  byResource: Map<string, number>;
}

/**
 * The planned day of one or several jobs gone through again and again: every task takes what beta-PERT deals it, all
 * share the day's pace, things go wrong. Nobody starts before the plan's own order allows, nobody knows beforehand how
 * long a thing takes.
 * @param mishaps what may go wrong; what the catalogue has for these jobs where not said
 * @returns undefined where some job has no plan to rehearse; the same seed gives the same days
 */
export function rehearsing(
  jobs: readonly RehearsedJob[],
  seed = 1,
  mishaps: ReturnType<typeof mishapsOfDay> = mishapsOfDay(jobs.map(({ file }) => file)),
): Rehearsing | undefined {
  const nodes = networkOf(jobs);
  const tallies = jobs.map(({ file, plan }, job): Tally => {
    const find = (id: string) => nodes.findIndex((node) => node.job === job && node.task.id === id);
    const [last, out] = [find('sign-off'), find('load-out')];
    return {
      last,
      out: out < 0 ? last : out,
      doorsMs: Date.parse(plan.onTime.doors),
      closesMs: Date.parse(file.job.access.until),
      ready: [],
      spareMs: [],
      byTask: new Float64Array(nodes.length),
      byResource: new Map(),
    };
  });
  if (tallies.length === 0 || tallies.some(({ last }) => last < 0)) return undefined;
  const random = seededRandom(seed);
  const struck = mishaps.map(() => jobs.map(() => ({ runs: 0, sumMs: 0 })));
  const deals = nodes.map(({ task }): Deal => pert(task.quickS, task.usualS, task.slowS));
  const waits = flat(nodes);
  const ends = new Float64Array(nodes.length);
  const held = new Int32Array(nodes.length);

  const oneDay = () => {
    const pace = Math.exp(DAY_SIGMA * normal(random) - DAY_SIGMA ** 2 / 2);
    const blows = mishaps.map(({ mishap, files }) =>
      random() < mishap.chance ? blowOf(mishap, files[0] as JobFile, random) : undefined,
    );
    const hits = jobs.map(({ file }) =>
      blows.filter(
        (blow, m): blow is Blow => blow !== undefined && mishaps[m]?.files.includes(file) === true,
      ),
    );
    const lateMs = hits.map((hit) => hit.reduce((sum, blow) => sum + blow.accessLateMin, 0) * MINUTE_MS);
    for (let i = 0; i < nodes.length; i++) {
      const node = nodes[i] as Node;
      let start = node.earliestMs + (node.waitsForAccess ? (lateMs[node.job] as number) : 0);
      let by = -1;
      const first = waits.from[i] as number;
      const until = waits.from[i + 1] as number;
      for (let w = first; w < until; w++) {
        const end = (ends[waits.node[w] as number] as number) + (waits.lagMs[w] as number);
        if (end > start) {
          start = end;
          by = w - first;
        }
      }
      held[i] = by;
      ends[i] = start + sampleDuration(node.task, deals[i] as Deal, pace, hits[node.job] as Blow[], random);
    }
    for (const [job, tally] of tallies.entries()) {
      const done = ends[tally.last] as number;
      tally.ready.push(done);
      tally.spareMs.push(Math.min(tally.doorsMs - done, tally.closesMs - (ends[tally.out] as number)));
      tallyUp(tally, nodes, held);
      blows.forEach((blow, m) => {
        const one = struck[m]?.[job];
        if (blow && one) {
          one.runs += 1;
          one.sumMs += done;
        }
      });
    }
  };

  return {
    run: (days) => {
      for (let i = 0; i < days; i++) oneDay();
    },
    get runs() {
      return tallies[0]?.ready.length ?? 0;
    },
    results: () =>
      jobs.map(({ file }, job) => {
        const own = mishaps.flatMap(({ mishap: { id, label }, files }, m) => {
          const one = struck[m]?.[job];
          return one && files.includes(file) ? [{ id, label, ...one }] : [];
        });
        return outcomeOf(tallies[job] as Tally, nodes, own, file.workshop.timeZone);
      }),
  };
}

/** What every node waits for, one list after the other: this is gone through a hundred thousand times for a plan. */
function flat(nodes: readonly Node[]) {
  const all = nodes.flatMap(({ after }) => after);
  const from = new Int32Array(nodes.length + 1);
  nodes.forEach(({ after }, i) => {
    from[i + 1] = (from[i] as number) + after.length;
  });
  return {
    from,
    node: Int32Array.from(all, ({ node }) => node),
    lagMs: Float64Array.from(all, ({ lagMs }) => lagMs),
  };
}

/** Back from sign-off along what each task waited for: what of it was longer would have put sign-off back. */
function tallyUp({ last, byTask, byResource }: Tally, nodes: readonly Node[], held: Int32Array): void {
  const waitedFor = new Set<string>();
  let i = last;
  while (i >= 0) {
    byTask[i] = (byTask[i] as number) + 1;
    const wait: Node['after'][number] | undefined = nodes[i]?.after[held[i] as number];
    if (wait?.for) waitedFor.add(wait.for);
    i = wait?.node ?? -1;
  }
  for (const id of waitedFor) byResource.set(id, (byResource.get(id) ?? 0) + 1);
}

function outcomeOf(
  { ready, spareMs, byTask, byResource, last }: Tally,
  nodes: readonly Node[],
  mishaps: readonly { id: string; label: string; runs: number; sumMs: number }[],
  zone: string,
): Rehearsal {
  const sorted = Float64Array.from(ready).sort();
  const spare = Float64Array.from(spareMs).sort();
  const at = (values: Float64Array, share: number) =>
    values[Math.min(values.length - 1, Math.floor(share * values.length))] as number;
  const quantile = (share: number) => at(sorted, share);
  const iso = (ms: number) =>
    DateTime.fromMillis(Math.round(ms / 1000) * 1000, { zone }).toISO({
      suppressMilliseconds: true,
    }) as string;
  const all = ready.reduce((sum, ms) => sum + ms, 0);
  const job = nodes[last]?.job;
  return {
    runs: ready.length,
    chance: spareMs.filter((ms) => ms >= 0).length / spareMs.length,
    p10: iso(quantile(0.1)),
    p50: iso(quantile(0.5)),
    p90: iso(quantile(0.9)),
    spread: barsOf(spare),
    byTask: shares(
      nodes.map((node, i) => [node, byTask[i] as number] as const).filter(([node]) => node.job === job),
      ready.length,
    ).map(({ of, share }) => ({ id: of.task.id, share })),
    byResource: shares([...byResource], ready.length).map(({ of, share }) => ({ id: of, share })),
    mishaps: mishaps.map(({ id, label, runs, sumMs }) => {
      const others = ready.length - runs;
      const put = runs > 0 && others > 0 ? sumMs / runs - (all - sumMs) / others : 0;
      return { id, label, runs, minutes: Number((put / MINUTE_MS).toFixed(1)) };
    }),
    // So much more to spare, and of a hundred days so many come off.
    earlierMin: Math.max(0, Math.ceil(-at(spare, 1 - WANTED_PCT / 100) / MINUTE_MS)),
    wantedPct: WANTED_PCT,
  };
}

/** What counts for something, the most first. */
const shares = <T>(counts: readonly (readonly [T, number])[], runs: number) =>
  counts
    .map(([of, count]) => ({ of, share: count / runs }))
    .filter(({ share }) => share > 0.005)
    .sort((a, b) => b.share - a.share);

/** So many days of one job at once. */
export function rehearse(
  file: JobFile,
  plan: RehearsedJob['plan'],
  days: number,
  seed = 1,
): Rehearsal | null {
  const going = rehearsing([{ file, plan }], seed);
  going?.run(days);
  return going?.results()[0] ?? null;
}

type Deal = ReturnType<typeof pert>;

/** What a task takes on one day, ms. */
function sampleDuration(task: Task, deal: Deal, pace: number, hit: readonly Blow[], random: Random): number {
  // Waiting for glue takes its hour whatever the day is like.
  if (task.quickS === task.slowS) return task.usualS * 1000;
  let factor = pace;
  let adds = 0;
  for (const blow of hit) {
    factor *= blow.factorOf(task);
    adds += blow.addsMin(task);
  }
  return deal(random) * 1000 * factor + adds * MINUTE_MS;
}

function barsOf(spareMs: Float64Array): Rehearsal['spread'] {
  const bars = new Map<number, number>();
  for (const ms of spareMs) {
    const fromMin = Math.floor(ms / MINUTE_MS / BAR_MIN) * BAR_MIN;
    bars.set(fromMin, (bars.get(fromMin) ?? 0) + 1);
  }
  const [least, most] = [Math.min(...bars.keys()), Math.max(...bars.keys())];
  const all: Rehearsal['spread'] = [];
  for (let fromMin = least; fromMin <= most; fromMin += BAR_MIN)
    all.push({ fromMin, runs: bars.get(fromMin) ?? 0 });
  return all;
}
