import type { CrewMember, Skill } from '@early-lantern/contract';
import type { DayJob } from './day-job.ts';
import type { DayProblem } from './day-problem.ts';
import { nameIn, namesFor } from './gear-names.ts';
import { isAtKerb } from './places.ts';
import { teamFor } from './team.ts';
import type { Work } from './work.ts';

/** What nobody does who lacks a skill. */
const lacking: Record<Skill, string> = {
  lead: 'leads',
  driver: 'drives',
  ladder: 'is trusted on a ladder',
  tying: 'ties',
  helium: 'fills helium',
};

/**
 * Why a task has no time in any plan, in a sentence: who or what is missing, whose hours are too short, or what is too
 * close together.
 * @param stuck the task, as the problem of the day names it
 */
export function whyStuck(day: DayProblem, stuck: string | undefined): string {
  const found = day.jobs
    .flatMap((job) => job.work.map((work) => ({ job, work })))
    .find(({ job, work }) => stuck === `${job.file.job.id}:${work.id}`);
  const { job, work } = found ?? { job: day.jobs[0] as DayJob, work: day.jobs[0]?.work[0] as Work };
  if (!work) return 'there is no work to plan.';
  const crew = crewOf(job, work);
  return (
    missingPerson(work, crew) ??
    missingThing(work, job) ??
    kerbShut(work, job, day) ??
    tooLong(work, crew, day) ??
    tooEarly(work, crew, job, day) ??
    windowTooShort(work, crew, job, day) ??
    `no time is left for "${work.label}" between the hours of ${names(able(work, crew))} and what has to be done before and after it.`
  );
}

/** Who is there for a task: the job's people, or those of them who ride or stay there. */
const crewOf = ({ file }: DayJob, work: Work): CrewMember[] => {
  const ids = teamFor(work, file);
  return file.workshop.crew.filter(({ id }) => ids.includes(id));
};

/** Whoever has every skill that a task asks for. */
const able = ({ skills }: Work, crew: readonly CrewMember[]) =>
  crew.filter((one) => skills.every((skill) => one.skills.includes(skill as Skill)));

const first = ({ name }: CrewMember) => name.split(' ')[0] ?? name;
const names = (people: readonly CrewMember[]) =>
  new Intl.ListFormat('en-GB').format(people.map(first)) || 'the crew';

function missingPerson(work: Work, crew: readonly CrewMember[]): string | undefined {
  const skill = work.skills.find((one) => !crew.some(({ skills }) => skills.includes(one as Skill)));
  if (skill) return `nobody in the crew ${lacking[skill as Skill]}, which "${work.label}" needs.`;
  const least = Math.min(work.hands, ...(work.ways ?? []).map(({ hands }) => hands));
  if (crew.length < least) return `"${work.label}" takes ${least} people, and the crew is ${crew.length}.`;
  return undefined;
}

function missingThing(work: Work, { file }: DayJob): string | undefined {
  const { vehicles, inflators } = file.workshop;
  if (work.gear.includes('vehicle') && vehicles.length === 0)
    return `the workshop has no vehicle for "${work.label}".`;
  if (work.blows && inflators.length === 0) return `the workshop has no inflator for "${work.label}".`;
  const known = namesFor(file);
  const gone = work.ladders?.find((id) => nameIn(id, known) === id);
  return gone ? `the ladder that "${work.label}" is done from is not there.` : undefined;
}

/** Hours at the set-down that lie outside the time in which the van has to be unloaded or loaded. */
function kerbShut(
  work: Work,
  { file, access, doors, strike }: DayJob,
  { axis }: DayProblem,
): string | undefined {
  const { kerb } = file.site.loadIn;
  if (!kerb || !isAtKerb(work)) return undefined;
  const within =
    work.trip === 'strike' ? strike : { from: access.from, until: Math.max(doors, access.until) };
  const shut = axis.outside(kerb);
  const openMin = within.until - within.from - covered(shut, within.from, within.until);
  if (openMin >= work.minutes) return undefined;
  const time = (minute: number) => axis.iso(minute).slice(11, 16);
  return `the van may stand at the set-down only from ${kerb.from} to ${kerb.to}, and "${work.label}" has to be done between ${time(within.from)} and ${time(within.until)}.`;
}

/** Minutes of a stretch of time that intervals cover. */
const covered = (intervals: readonly (readonly [number, number])[], from: number, until: number): number =>
  intervals.reduce((sum, [a, b]) => sum + Math.max(0, Math.min(b, until) - Math.max(a, from)), 0);

/** Whose hours end later than so long after doors and access is home by then, minutes. */
const HOME_BY_MIN = 120;

const hours = (minutes: number) =>
  [
    minutes >= 60 ? `${Math.floor(minutes / 60)} h` : '',
    minutes % 60 || minutes < 60 ? `${Math.round(minutes % 60)} min` : '',
  ]
    .filter(Boolean)
    .join(' ');

/** When a person works, hours of single jobs counted in. */
const hoursOf = ({ problem }: DayProblem, person: string) =>
  problem.workers.find(({ id }) => id === person)?.shifts ?? [];

/** A task that is longer than anybody's hours who can do it. */
function tooLong(work: Work, crew: readonly CrewMember[], day: DayProblem): string | undefined {
  const shortest = Math.min(work.minutes, ...(work.ways ?? []).map(({ minutes }) => minutes));
  const people = able(work, crew);
  if (work.hands === 0 || people.length === 0) return undefined;
  const longest = Math.max(...people.flatMap((one) => hoursOf(day, one.id).map(([from, to]) => to - from)));
  return shortest > longest
    ? `"${work.label}" takes ${hours(shortest)}, and nobody who can do it works longer than ${hours(longest)} a day.`
    : undefined;
}

/** A drive that has to be over before anybody's hours begin, or a strike before they come. */
function tooEarly(work: Work, crew: readonly CrewMember[], job: DayJob, day: DayProblem): string | undefined {
  const people = able(work, crew);
  const within = work.trip === 'strike' ? job.strike : { from: job.access.from, until: job.doors };
  if (work.place === 'workshop' || work.hands === 0 || people.length === 0) return undefined;
  const meets = people.some((one) =>
    hoursOf(day, one.id).some(
      ([from, to]) => from < within.until && to > within.from - (work.arrivesAfter ?? 0),
    ),
  );
  if (meets) return undefined;
  const what = work.trip === 'strike' ? 'the strike' : 'access';
  return `${names(people)} do not work in the hours of ${what}, which "${work.label}" falls in.`;
}

/** Doors that come too early, hours that end too soon, or both: whoever is late for doors still has to get home. */
function windowTooShort(
  work: Work,
  crew: readonly CrewMember[],
  job: DayJob,
  day: DayProblem,
): string | undefined {
  const told = [doorsTooEarly(job, day), hoursEnd(work, crew, job, day)].flatMap((one) => one ?? []);
  const [first, second] = told;
  return first && second ? `${first} Besides, ${second}` : first;
}

/**
 * Nobody who could do it works beyond an hour at which the work on site, or the way home, is still going on. On the road
 * everybody is: the first whose hours end counts.
 */
function hoursEnd(
  work: Work,
  crew: readonly CrewMember[],
  { access, doors }: DayJob,
  day: DayProblem,
): string | undefined {
  if (work.trip !== 'set-up') return undefined;
  const endOf = (one: CrewMember) =>
    Math.max(...hoursOf(day, one.id).flatMap(([from, to]) => (from < doors && to > access.from ? [to] : [])));
  const there = able(work, crew).filter((one) => endOf(one) > -Infinity);
  const ends = there.map(endOf);
  const last = work.place === 'road' ? Math.min(...ends) : Math.max(...ends);
  const people = work.place === 'road' ? there.filter((one) => endOf(one) === last) : there;
  return ends.length > 0 && last < Math.max(doors, access.until) + HOME_BY_MIN
    ? `the hours of ${names(people)} end at ${day.axis.iso(last).slice(11, 16)}, before "${work.label}" can be done.`
    : undefined;
}

/** Nobody off for less than this is spoken of, minutes. */
const OFF_MIN = 30;

/** The longest stretch between access and doors in which nobody of the crew works, in a sentence; undefined where there is none. */
export function whoIsOff({ file, access, doors }: DayJob, day: DayProblem): string | undefined {
  const crew = file.workshop.crew.filter(({ id }) => file.job.crew.includes(id));
  const shifts = crew
    .flatMap((one) => hoursOf(day, one.id).map(([from, to]) => [from, to] as const))
    .sort(([a], [b]) => a - b);
  let [from, worst] = [access.from, [0, 0] as readonly [number, number]];
  for (const [start, end] of [...shifts, [doors, doors] as const]) {
    const until = Math.min(start, doors);
    if (until - from > worst[1] - worst[0]) worst = [from, until];
    from = Math.max(from, end);
  }
  if (worst[1] - worst[0] < OFF_MIN) return undefined;
  const time = (minute: number) => day.axis.iso(minute).slice(11, 16);
  return `${names(crew)} ${crew.length === 1 ? 'does' : 'do'} not work between ${time(worst[0])} and ${time(worst[1])}, when the house is open.`;
}

/** The way from access to sign-off, as quick as anybody does it, is longer than from access to doors. */
function doorsTooEarly({ work, access, doors }: DayJob, { axis }: DayProblem): string | undefined {
  const byId = new Map(work.map((one) => [one.id, one]));
  const chains = new Map<string, Chain>();
  const chainTo = (id: string): Chain => {
    const known = chains.get(id);
    if (known !== undefined) return known;
    const one = byId.get(id);
    if (one?.place !== 'site') return NOTHING;
    const shortest = shortestOf(one);
    const before = one.after.reduce((longest, other) => {
      const chain = chainTo(other);
      const endMin = chain.endMin + (one.lags?.[other]?.min ?? 0);
      return endMin > longest.endMin ? { ...chain, endMin } : longest;
    }, NOTHING);
    const isLonger = !before.longest || shortest > shortestOf(before.longest);
    const chain = { endMin: before.endMin + shortest, longest: isLonger ? one : before.longest };
    chains.set(id, chain);
    return chain;
  };
  const { endMin: needed, longest } = chainTo('sign-off');
  const given = doors - access.from;
  if (needed <= given || !longest) return undefined;
  const from = axis.iso(access.from).slice(11, 16);
  return `doors come too early: from access at ${from} the work on site takes ${hours(needed)} at least, and doors are ${hours(given)} later. The longest step: ${longest.label}, ${hours(shortestOf(longest))}.`;
}

/** Steps that wait for each other: when the last ends, minutes after access, and the longest of them. */
interface Chain {
  endMin: number;
  longest?: Work;
}

const NOTHING: Chain = { endMin: 0 };

/** Minutes that a task takes with as many hands as help it. */
const shortestOf = ({ minutes, ways = [] }: Work): number =>
  Math.min(minutes, ...ways.map((way) => way.minutes));
