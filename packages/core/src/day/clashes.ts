import type { JobFile, Plan } from '@early-lantern/contract';
import { inDay } from '../clock/day-job.ts';
import { DRIVES } from '../clock/legs.ts';
import { agreedRound } from '../clock/rounds.ts';
import { outingsOf, peopleAway, tripsOf } from '../clock/trips.ts';
import type { Trip } from '../clock/work.ts';
import { groupBy, sumOf } from '../quantity/group.ts';

/** Somebody or something that the plans of several jobs take at the same time. */
export interface Clash {
  kind: 'person' | 'vehicle' | 'inflator' | 'ladder';
  /** The person's or ladder's id; for vehicles and inflators, of which any will do, none. */
  ref: string | null;
  /** Taken at once, and how many there are. */
  wanted: number;
  owned: number;
  from: string;
  until: string;
  jobs: string[];
}

/** A stretch of time in which a job takes so much of something, milliseconds. */
interface Claim {
  job: string;
  key: string;
  count: number;
  from: number;
  to: number;
  /** The round it is driven in: all its jobs have the same vehicles. */
  round?: string;
}

/**
 * What the plans of several jobs, each made as if it were alone, take twice. People and vans are taken from the start
 * of a run to its end.
 */
export function clashesOf(planned: readonly { file: JobFile; plan: Plan }[]): Clash[] {
  const workshop = planned[0]?.file.workshop;
  if (!workshop) return [];
  const owned = (key: string) =>
    key === 'vehicle' ? workshop.vehicles.length : key === 'inflator' ? workshop.inflators.length : 1;
  const claims = planned.flatMap(({ file, plan }) => claimsOf(file, plan));
  return [...new Set(claims.map(({ key }) => key))]
    .flatMap((key) => {
      const of = claims.filter((claim) => claim.key === key);
      return overlaps(of, owned(key)).map((one) => asClash(key, owned(key), one));
    })
    .sort((a, b) => Date.parse(a.from) - Date.parse(b.from));
}

function claimsOf(file: JobFile, { tasks }: Plan): Claim[] {
  const { workshop, job } = file;
  const trips = tripsOf([{ file, work: tasks }]);
  const at = new Map(tasks.map((task) => [inDay(job.id, task.id), task]));
  const span = <T extends { from: string; until: string }>(away: T) => {
    const [first, last] = [at.get(away.from), at.get(away.until)];
    return first && last ? [{ ...away, from: Date.parse(first.start), to: Date.parse(last.end) }] : [];
  };
  const people = trips.flatMap((one) => peopleAway(one).flatMap(span));
  const runs = trips.flatMap(({ trip }) => {
    const { out, home, last } = DRIVES[trip];
    const id = (task: string) => inDay(job.id, task);
    return span({ from: id(out), until: at.has(id(home)) ? id(home) : id(last) });
  });
  const vans = trips.flatMap((one) =>
    outingsOf(one).flatMap((outing) =>
      span(outing).map(({ from, to, legs }) => ({
        from,
        to,
        gear: at.get(inDay(job.id, legs[0]?.task ?? ''))?.gear ?? [],
        round: roundOn(file, one.trip),
      })),
    ),
  );
  const ladders = new Set((workshop.ladders ?? []).map(({ id }) => id));
  const vehicles = new Set(workshop.vehicles.map(({ id }) => id));
  const inflators = new Set(workshop.inflators.map(({ id }) => id));
  const taken = [...new Set(tasks.flatMap(({ gear }) => gear.filter((id) => ladders.has(id))))];
  const here = tasks.filter(({ place }) => place === 'workshop');
  return [
    ...people.flatMap(({ from, to, workers }) =>
      workers.map((id) => ({ job: job.id, key: `person:${id}`, count: 1, from, to })),
    ),
    ...runs.flatMap(({ from, to }) =>
      taken.map((id) => ({ job: job.id, key: `ladder:${id}`, count: 1, from, to })),
    ),
    ...vans.map(({ from, to, gear, round }) => ({
      ...(round ? { round } : {}),
      job: job.id,
      key: 'vehicle',
      count: gear.filter((id) => vehicles.has(id)).length,
      from,
      to,
    })),
    ...here.flatMap((task) => {
      const [from, to] = [Date.parse(task.start), Date.parse(task.end)];
      const blown = task.gear.filter((id) => inflators.has(id)).length;
      return [
        ...task.crew.map((id) => ({ job: job.id, key: `person:${id}`, count: 1, from, to })),
        ...(blown > 0 ? [{ job: job.id, key: 'inflator', count: blown, from, to }] : []),
      ];
    }),
  ];
}

/** The round that a job shares on a trip, by a name that all its jobs have alike. */
function roundOn(file: JobFile, trip: Trip): string | undefined {
  const stops = agreedRound(file, trip)?.stops;
  return stops && `${trip} ${stops.map((stop) => stop.job).join(' ')}`;
}

interface Overlap {
  wanted: number;
  from: number;
  to: number;
  jobs: string[];
}

/** Stretches in which more is taken than there is, by more than one job; those that touch are one. */
function overlaps(claims: readonly Claim[], owned: number): Overlap[] {
  const moments = [...new Set(claims.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
  const found: Overlap[] = [];
  for (const [i, from] of moments.entries()) {
    const to = moments[i + 1];
    if (to === undefined) break;
    const running = claims.filter((one) => one.from <= from && to <= one.to);
    const wanted = sumOf(
      // What a round has it has once, whichever of its jobs is at work.
      [...groupBy(running, ({ round, job }) => round ?? job).values()].map((own) => {
        const counts = own.map(({ count }) => count);
        return own[0]?.round ? Math.max(...counts) : sumOf(counts);
      }),
    );
    const jobs = [...new Set(running.map(({ job }) => job))];
    if (wanted <= owned || jobs.length < 2) continue;
    const last = found.at(-1);
    if (last?.to === from) {
      last.to = to;
      last.wanted = Math.max(last.wanted, wanted);
      last.jobs = [...new Set([...last.jobs, ...jobs])];
    } else found.push({ wanted, from, to, jobs });
  }
  return found;
}

function asClash(key: string, owned: number, { wanted, from, to, jobs }: Overlap): Clash {
  const [kind, ref] = key.split(':') as [Clash['kind'], string | undefined];
  return {
    kind,
    ref: ref ?? null,
    wanted,
    owned,
    from: new Date(from).toISOString(),
    until: new Date(to).toISOString(),
    jobs,
  };
}
