import type { Fix, JobFile } from '@early-lantern/contract';
import { carsOn, mostRiders } from '../clock/rounds.ts';
import type { Trip } from '../clock/work.ts';
import { sumOf } from '../quantity/group.ts';
import { plural } from '../quantity/plural.ts';
import { applyChanges } from './fixes.ts';

/** A car of one's own, and one that is hired, seats so many besides its load. From memory. */
const CAR_SEATS = 4;

/** Why not everybody rides: more people than seats, set up or strike; undefined where all do. */
export function seatsLacking(file: JobFile): { figure: string; told: string; lacking: number } | undefined {
  const { workshop, job, site } = file;
  // In the workshop itself nobody drives.
  if (site.isWorkshop) return undefined;
  const run = (trip: Trip, which: string) => {
    const seats = sumOf([...workshop.vehicles, ...carsOn(file, trip)].map((one) => one.seats));
    const people = mostRiders(file, trip);
    return { people, seats, lacking: people - seats, which };
  };
  const runs = [run('set-up', 'set up'), ...(job.isKept ? [] : [run('strike', 'strike')])];
  const [worst] = runs.filter(({ lacking }) => lacking > 0).sort((a, b) => b.lacking - a.lacking);
  if (!worst) return undefined;
  const { seats, lacking } = worst;
  return {
    figure: `${plural(lacking, 'seat')} short`,
    told: `${worst.people} people drive out to ${worst.which}, and there ${seats === 1 ? 'is' : 'are'} ${plural(seats, 'seat')}: ${lacking} cannot come along.`,
    lacking,
  };
}

/** A second vehicle, or somebody's own car: each tried, each gives everybody a seat. */
export function seatFixes(file: JobFile): Fix[] {
  if (!seatsLacking(file)) return [];
  const { workshop, job } = file;
  const cars = job.cars ?? [];
  const driver = workshop.crew.find(({ id, skills }) => job.crew.includes(id) && skills.includes('driver'));
  const ways = [
    { id: 'hired-car', name: 'Hired car', label: `Hire a car with ${CAR_SEATS} seats for the day` },
    ...(driver
      ? [
          {
            id: `car-of-${driver.id}`,
            name: `${driver.name}’s own car`,
            label: `${driver.name} takes their own car, ${CAR_SEATS} seats`,
          },
        ]
      : []),
  ];
  return ways
    .filter(({ id }) => !cars.some((one) => one.id === id))
    .map(({ id, name, label }) => ({
      label,
      changes: [{ path: '/job/cars', value: [...cars, { id, name, seats: CAR_SEATS }] }],
    }))
    .filter(({ changes }) => !seatsLacking(applyChanges(file, changes)))
    .map((fix) => ({ ...fix, gain: 'everybody has a seat' }));
}
