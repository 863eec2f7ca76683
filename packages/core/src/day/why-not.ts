import { inDay, type WorkedJob } from '../clock/day-job.ts';
import { type DayProblem, dayProblem } from '../clock/day-problem.ts';
import { DaySearch } from '../clock/day-search.ts';
import type { Problem } from '../schedule/problem.ts';

/** Part of a day's work that cannot be done together with the others in their windows. */
export interface Culprit {
  jobId: string;
  part: 'set-up' | 'strike';
}

/** Orders tried to find out whether the rest can be done without a part. */
const TRIED = 240;

/**
 * A small set of set-ups and strikes that cannot all be done in their windows: of all parts, one after the other is
 * left out where the rest still cannot. Smallest as far as the search can tell, not proven.
 * @returns empty where everything can be done
 */
export function culpritsOf(worked: readonly WorkedJob[]): Culprit[] {
  const parts = worked.flatMap(({ file }): Culprit[] => [
    { jobId: file.job.id, part: 'strike' },
    { jobId: file.job.id, part: 'set-up' },
  ]);
  const day = dayProblem(worked);
  const canDo = (kept: readonly Culprit[]) => {
    const search = new DaySearch(
      {
        ...day,
        ...without(
          day,
          parts.filter((one) => !kept.includes(one)),
        ),
      },
      TRIED,
    );
    while (search.tried < TRIED && search.lateMin > 0) search.runForward(30);
    return search.lateMin === 0;
  };
  if (canDo(parts)) return [];
  let kept = parts;
  for (const part of parts) {
    const fewer = kept.filter((one) => one !== part);
    if (fewer.length > 0 && !canDo(fewer)) kept = fewer;
  }
  return kept;
}

/** The day without some parts: their tasks stay, but take nobody, nothing and no time. */
function without(day: DayProblem, left: readonly Culprit[]): Pick<DayProblem, 'problem'> {
  const gone = new Set(
    left.flatMap(({ jobId, part }) => {
      const job = day.jobs.find(({ file }) => file.job.id === jobId);
      return (job?.work ?? [])
        .filter(({ trip }) => (part === 'strike' ? trip === 'strike' : trip !== 'strike'))
        .map(({ id }) => inDay(jobId, id));
    }),
  );
  const problem: Problem = {
    ...day.problem,
    activities: day.problem.activities.map((one) =>
      gone.has(one.id) ? { ...one, modes: [{ hands: 0, minutes: 0 }], skills: [], gear: {} } : one,
    ),
    holds: (day.problem.holds ?? [])
      .filter(({ from, until }) => !gone.has(from) || !gone.has(until))
      .map((hold) =>
        // Gear that is out from a set-up to its strike is out from the one that is left.
        gone.has(hold.from)
          ? { ...hold, from: hold.until }
          : gone.has(hold.until)
            ? { ...hold, until: hold.from }
            : hold,
      ),
  };
  return { problem };
}
