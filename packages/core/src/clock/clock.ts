import type { JobFile, OnTime, Task, Why } from '@early-lantern/contract';
import { MinuteAxis } from './calendar.ts';
import { justifiedLate } from './justify.ts';
import { setUpWork } from './method.ts';
import type { Activity, Placing, Problem } from './problem.ts';
import { earliestSchedule, latestSchedule } from './scheduler.ts';
import { strikeWork } from './strike-work.ts';
import { whyOf } from './why.ts';
import type { Work, WorkedPiece } from './work.ts';

export interface ClockPlan {
  tasks: Task[];
  onTime: OnTime;
  /** Why no plan was found; undefined when there is one. */
  stuck: string | undefined;
  /** Set-up runs on after the access window has closed. */
  overrunsAccess: boolean;
}

/**
 * The job's tasks on the clock, counted back from doors. First everything as late as possible with the wanted
 * minutes in hand; where that does not fit, as early as access and shifts allow, then pushed as late as that
 * sign-off permits.
 */
export function clockFor(file: JobFile, pieces: readonly WorkedPiece[]): ClockPlan {
  const { workshop, job } = file;
  const axis = new MinuteAxis(job.doors, workshop.timeZone);
  const doors = axis.minute(job.doors);
  const none: OnTime = {
    doors: axis.iso(doors),
    ready: null,
    minutesInHand: null,
    benchFrom: null,
    leaveAt: null,
    leaveBy: [],
    chance: null,
    bottleneck: null,
  };
  if (pieces.length === 0) return { tasks: [], onTime: none, stuck: undefined, overrunsAccess: false };

  const work = setUpWork(file, pieces);
  const window = { from: axis.minute(job.access.from), until: axis.minute(job.access.until) };
  const wanted = Math.min(doors - workshop.inHandTargetMin, window.until);
  const problem = (deadline: number) => asProblem(file, work, axis, window.from, deadline);

  let schedule = latestSchedule(problem(wanted));
  if (!schedule.feasible) {
    const early = earliestSchedule(problem(Infinity));
    if (early.feasible) {
      const late = latestSchedule(problem(endOf(early.placings)));
      schedule = late.feasible
        ? late
        : { feasible: true, placings: justifiedLate(problem(Infinity), early.placings) };
    } else schedule = early;
  }
  if (!schedule.feasible) {
    const stuckAt = schedule.stuck;
    return {
      tasks: [],
      onTime: none,
      stuck: work.find((one) => one.id === stuckAt)?.label ?? stuckAt,
      overrunsAccess: false,
    };
  }
  const { placings } = schedule;
  const ready = endOf(placings);
  const settled = problem(Infinity);
  const limits = { deadline: ready <= wanted ? wanted : ready, accessFrom: window.from };
  const setUp = settled.activities.map((activity, i) => {
    const why = whyOf(activity, placings, settled, limits);
    return toTask(work[i] as Work, placings.get(activity.id) as Placing, axis, why);
  });
  const startOf = (id: string) => axis.iso((placings.get(id) as Placing).start);
  return {
    tasks: [...inOrder(setUp), ...strikeTasks(file, pieces, axis)],
    onTime: {
      doors: axis.iso(doors),
      ready: axis.iso(ready),
      minutesInHand: doors - ready,
      benchFrom: startOf('clean-floor'),
      leaveAt: startOf('drive-out'),
      leaveBy: (placings.get('drive-out') as Placing).gear.map((vehicle) => ({
        vehicle,
        at: startOf('drive-out'),
      })),
      chance: null,
      bottleneck: null,
    },
    stuck: undefined,
    overrunsAccess: ready > window.until,
  };
}

const endOf = (placings: ReadonlyMap<string, Placing>) =>
  Math.max(...[...placings.values()].map((placing) => placing.end));

function asProblem(
  { workshop, job }: JobFile,
  work: readonly Work[],
  axis: MinuteAxis,
  accessFrom: number,
  deadline: number,
): Problem {
  return {
    workers: workshop.crew
      .filter((member) => job.crew.includes(member.id))
      .map((member) => ({ id: member.id, skills: member.skills, shifts: axis.shifts(member) })),
    gear: {
      inflator: workshop.inflators.map((inflator) => inflator.id),
      vehicle: workshop.vehicles.map((vehicle) => vehicle.id),
    },
    activities: work.map(
      (one): Activity => ({
        ...one,
        ...(one.place === 'site' ? { earliest: accessFrom } : {}),
        ...(one.arrivesAfter === undefined ? {} : { earliest: accessFrom - one.arrivesAfter }),
        ...(Number.isFinite(deadline) ? { latest: deadline } : {}),
      }),
    ),
  };
}

function toTask(work: Work, placing: Placing, axis: MinuteAxis, why: Why): Task {
  return {
    id: work.id,
    label: work.label,
    place: work.place,
    start: axis.iso(placing.start),
    end: axis.iso(placing.end),
    crew: placing.crew,
    gear: placing.gear,
    ...(work.pieceId ? { pieceId: work.pieceId } : {}),
    ...(work.blows ? { blows: work.blows } : {}),
    after: work.after,
    quickS: Math.round(work.spread.quickS),
    usualS: Math.round(work.spread.usualS),
    slowS: Math.round(work.spread.slowS),
    why,
    cautions: work.cautions,
    working: work.working,
  };
}

/** By start, and at the same minute as the work runs. */
const inOrder = (tasks: readonly Task[]): Task[] =>
  [...tasks].sort(
    (a, b) => Date.parse(a.start) - Date.parse(b.start) || Date.parse(a.end) - Date.parse(b.end),
  );

/** One after the other from the start of the strike window, with the whole crew of the job. */
function strikeTasks(file: JobFile, pieces: readonly WorkedPiece[], axis: MinuteAxis): Task[] {
  let at = axis.minute(file.job.strike.from);
  const vehicle = file.workshop.vehicles[0];
  return strikeWork(file, pieces).map((work) => {
    const start = at;
    at += work.minutes;
    const crew = file.job.crew.slice(0, work.hands);
    return toTask(
      work,
      { start, end: at, crew, gear: work.gear.length && vehicle ? [vehicle.id] : [] },
      axis,
      work.after[0] ? { kind: 'after', ref: work.after[0] } : { kind: 'access', ref: 'strike' },
    );
  });
}
