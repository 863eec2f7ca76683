import type { Fix, JobFile } from '@early-lantern/contract';
import { ridersOf } from '../clock/rounds.ts';
import { plural } from '../quantity/plural.ts';
import { applyChanges } from './fixes.ts';

/** A car of one's own, and one that is hired, seats so many besides its load. From memory. */
const CAR_SEATS = 4;

/** Why not everybody rides: more people than seats, set up or strike; undefined where all do. */
export function seatsLacking(file: JobFile): { figure: string; told: string; lacking: number } | undefined {
  const { workshop, job, site } = file;
  // In the workshop itself nobody drives.
  if (site.isWorkshop) return undefined;
  const seats = [...workshop.vehicles, ...(job.cars ?? [])].reduce((sum, one) => sum + one.seats, 0);
  const runs = [
    { people: ridersOf(file, 'set-up').length, which: 'set up' },
    ...(job.isKept ? [] : [{ people: ridersOf(file, 'strike').length, which: 'strike' }]),
  ];
  const [worst] = runs.filter(({ people }) => people > seats).sort((a, b) => b.people - a.people);
  if (!worst) return undefined;
  const lacking = worst.people - seats;
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
