import type { Fix, JobFile, Plan, Task } from '@early-lantern/contract';
import { isWagon } from '../clock/gear-names.ts';
import { ridersOn } from '../clock/rounds.ts';
import { ridesOf } from '../loading/rooms.ts';
import { sumOf } from '../quantity/group.ts';
import { applyChanges } from './fixes.ts';
import { seatsLacking } from './seats.ts';

const DRIVES = { 'drive-out': 'the way out', 'drive-strike': 'the way to the strike' } as const;

/** Of the vehicles that go out on a drive those that nobody on board may drive, by name; cars only where their seats are needed. */
function withoutDriver(
  file: JobFile,
  trip: 'set-up' | 'strike',
  people: readonly string[],
  vehicles: readonly string[],
): string[] {
  const rides = ridesOf(file, trip, { people, vehicles });
  const driven = sumOf(rides.map(({ driver, seats }) => (driver === null ? 0 : seats)));
  return rides
    .filter(({ id, driver }) => driver === null && (vehicles.includes(id) || driven < people.length))
    .map(({ name }) => name);
}

/** Why a vehicle stays where it is, in a sentence; undefined where every one has its driver. */
export function driverLacking(
  file: JobFile,
  tasks: readonly Task[],
): { figure: string; told: string } | undefined {
  for (const task of tasks) {
    const way = DRIVES[task.id as keyof typeof DRIVES];
    if (!way) continue;
    const [vehicle] = withoutDriver(
      file,
      task.trip === 'strike' ? 'strike' : 'set-up',
      task.crew,
      task.gear.filter((id) => !isWagon(id)),
    );
    if (vehicle)
      return {
        figure: 'a driver short',
        told: `Nobody on board may drive ${vehicle} on ${way}.`,
      };
  }
  return undefined;
}

/** One vehicle less, or a driver more: each tried, each leaves every vehicle with a driver and everybody with a seat. */
export function driverFixes(file: JobFile, { tasks }: Pick<Plan, 'tasks'>): Fix[] {
  if (!driverLacking(file, tasks)) return [];
  const { workshop, job } = file;
  const out = job.vehicles ?? [];
  const left = out.map((id) => ({
    label: `Leave ${workshop.vehicles.find((one) => one.id === id)?.name ?? id} at home`,
    gain: 'every vehicle has a driver',
    changes: [{ path: '/job/vehicles', value: out.filter((one) => one !== id) }],
  }));
  const more = workshop.crew
    .filter(({ id, skills }) => skills.includes('driver') && !job.crew.includes(id))
    .map(({ id, name }) => ({
      label: `${name} comes too`,
      gain: 'every vehicle has a driver',
      changes: [
        { path: '/job/crew', value: [...job.crew, id] },
        ...(job.strikeCrew
          ? [{ path: '/job/strikeCrew', value: [...new Set([...job.strikeCrew, id])] }]
          : []),
      ],
    }));
  return [...(out.length > 1 ? left : []), ...more].filter(({ changes }) => {
    const tried = applyChanges(file, changes);
    const vehicles = tried.job.vehicles ?? vehiclesOf(tasks);
    const lacks = (trip: 'set-up' | 'strike', drive: keyof typeof DRIVES) =>
      withoutDriver(
        tried,
        trip,
        ridersOn(tried, trip, drive).map(({ id }) => id),
        vehicles,
      ).length > 0;
    return (
      !lacks('set-up', 'drive-out') &&
      (job.isKept || !lacks('strike', 'drive-strike')) &&
      !seatsLacking(tried)
    );
  });
}

const vehiclesOf = (tasks: readonly Task[]): string[] =>
  tasks.find(({ id }) => id === 'drive-out')?.gear.filter((id) => !isWagon(id)) ?? [];
