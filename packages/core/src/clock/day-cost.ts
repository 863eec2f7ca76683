import type { Compiled } from '../schedule/compiled.ts';
import type { Decoded } from '../schedule/decode.ts';
import type { Cost } from '../schedule/search.ts';
import { inDay } from './day-job.ts';
import type { DayProblem } from './day-problem.ts';
import { outOfTurn, turnsOf } from './heaviest.ts';
import type { Work } from './work.ts';

/** A minute after doors, after the close of access or of the strike's window weighs as much as so many in hand. */
const LATE = 50;

/** All bases out of turn weigh as much as this part of a minute in hand: among plans equally early the heaviest first. */
export const OUT_OF_TURN = 1e-3;

/**
 * What matters first: no window broken, then the minutes in hand of the tightest job. Nothing but turns is left at
 * `OUT_OF_TURN` and below.
 */
export function lateCost(day: DayProblem, problem: Compiled): Cost {
  const limits = limitsOf(day, problem);
  const turns = turnsOf(day.jobs, problem);
  return ({ start, end }) => {
    let late = 0;
    let most = 0;
    let all = 0;
    for (const one of limits) {
      late += lateOf(one, end);
      const short = Math.max(0, one.inHandWanted - inHandOf(one, end));
      most = Math.max(most, short);
      all += short;
    }
    const wrong = turns.length === 0 ? 0 : outOfTurn(turns, start, end, problem) / turns.length;
    return LATE * late + most + 0.01 * all + OUT_OF_TURN * wrong;
  };
}

type Limits = ReturnType<typeof limitsOf>[number];

/**
 * Minutes to spare: from sign-off to doors, or from the way out to the close of access, whichever is tighter; where
 * nothing is carried out after sign-off, sign-off is the way out.
 */
export const inHandOf = ({ signOff, loadOut, doors, accessUntil }: Limits, end: Float64Array): number =>
  Math.min(doors - (end[signOff] as number), accessUntil - (end[loadOut < 0 ? signOff : loadOut] as number));

/** Minutes by which a job leaves its windows: doors, access for the way out too, the strike's. */
export function lateOf(
  { signOff, loadOut, strikeDone, limit, accessUntil, strikeUntil }: Limits,
  end: Float64Array,
): number {
  const over = (task: number, until: number) => (task < 0 ? 0 : Math.max(0, (end[task] as number) - until));
  return Math.max(over(signOff, limit), over(loadOut, accessUntil)) + over(strikeDone, strikeUntil);
}

/** The last work on site after the event: the strike's window is for it. */
export const lastOnStrike = <T extends Pick<Work, 'place'> & { trip?: Work['trip'] | undefined }>(
  tasks: readonly T[],
): T | undefined => tasks.findLast(({ trip, place }) => trip === 'strike' && place === 'site');

/** Numbers of the tasks that end a job and its strike, with what they should keep. */
export function limitsOf({ jobs }: DayProblem, { ids }: Compiled) {
  const find = (jobId: string, task: string) => ids.indexOf(inDay(jobId, task));
  return jobs.map(({ file, work, doors, access, strike, wanted, wantedOut }) => ({
    signOff: find(file.job.id, 'sign-off'),
    loadOut: find(file.job.id, 'load-out'),
    strikeDone: find(file.job.id, lastOnStrike(work)?.id ?? 'strike'),
    limit: Math.min(doors, access.until),
    doors,
    accessUntil: access.until,
    wanted: Math.min(wanted, access.until),
    wantedOut,
    inHandWanted: doors - wanted,
    strikeUntil: strike.until,
  }));
}

/**
 * An hour that balloons hang about before doors, against an hour of pay, against handing a piece to others, against a
 * lighter base before a heavier one.
 */
const WEIGHTS = { inflated: 100, paid: 10, handed: 1, outOfTurn: 1 };

/**
 * What matters next: inflation as late as it may be, then few paid hours, then few pieces that pass from hand to hand
 * and bases in their turn.
 */
export function freshCost(day: DayProblem, problem: Compiled): Cost {
  const blown = day.jobs.flatMap(({ work, file, doors }) =>
    work
      .filter(({ blows }) => blows)
      .map(({ id }) => ({ task: problem.ids.indexOf(inDay(file.job.id, id)), doors })),
  );
  const arcs = pieceArcs(day, problem);
  const turns = turnsOf(day.jobs, problem);
  return (schedule) => {
    let inflated = 0;
    for (const { task, doors } of blown) inflated += doors - (schedule.start[task] as number);
    let handed = 0;
    for (const [a, b] of arcs) if (!((schedule.crew[a] as number) & (schedule.crew[b] as number))) handed++;
    return (
      (WEIGHTS.inflated * inflated) / 60 / Math.max(1, blown.length) +
      (WEIGHTS.paid * paidMinutes(schedule, problem)) / 60 +
      WEIGHTS.handed * handed +
      WEIGHTS.outOfTurn * outOfTurn(turns, schedule.start, schedule.end, problem)
    );
  };
}

/** Pairs of a piece's tasks of which one waits for the other, both done by hand. */
function pieceArcs({ jobs }: DayProblem, { ids }: Compiled): [number, number][] {
  return jobs.flatMap(({ work, file }) =>
    work.flatMap((one) =>
      one.after.flatMap((before): [number, number][] => {
        const other = work.find(({ id }) => id === before);
        return one.pieceId && other?.pieceId === one.pieceId && other.hands > 0 && one.hands > 0
          ? [[ids.indexOf(inDay(file.job.id, before)), ids.indexOf(inDay(file.job.id, one.id))]]
          : [];
      }),
    ),
  );
}

/** Longer than this without work is not waiting but going home, minutes. */
const UNPAID_GAP_MIN = 120;

/** Coming in is paid as so many minutes at least. Common practice, no source. */
const COMING_IN_MIN = 90;

/** Everybody's minutes at work, the waits between that are too short to go home, and a little for coming in again. */
export function paidMinutes({ start, end, crew }: Decoded, { workers, count }: Compiled): number {
  let paid = 0;
  for (let p = 0; p < workers.length; p++) {
    const own: [number, number][] = [];
    for (let i = 0; i < count; i++)
      if ((crew[i] as number) & (1 << p)) own.push([start[i] as number, end[i] as number]);
    own.sort((a, b) => a[0] - b[0]);
    for (const [i, [from, to]] of own.entries()) {
      const before = own[i - 1]?.[1] ?? -Infinity;
      paid += to - from + (from - before <= UNPAID_GAP_MIN ? from - before : COMING_IN_MIN);
    }
  }
  return paid;
}
