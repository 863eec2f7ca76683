import type { JobFile, Plan } from '@early-lantern/contract';
import { nameIn, namesFor } from '@early-lantern/core';

/** Each vehicle and car of the way out with who drives it and who rides along, filled in turn. */
export function ridesOf(file: JobFile, { onTime, tasks }: Plan): string[] {
  const { workshop, job } = file;
  const drive = tasks.find(({ id }) => id === 'drive-out');
  const names = namesFor(file);
  const first = (id: string) => nameIn(id, names).split(' ')[0] ?? id;
  const skillsOf = (id: string) => workshop.crew.find((one) => one.id === id)?.skills ?? [];
  const people = drive?.crew ?? job.crew;
  const drivers = people.filter((id) => skillsOf(id).includes('driver'));
  const cars = [
    ...onTime.leaveBy.map(({ vehicle }) => ({
      name: nameIn(vehicle, names),
      seats: workshop.vehicles.find(({ id }) => id === vehicle)?.seats ?? 1,
    })),
    ...(job.cars ?? []).map(({ name, seats }) => ({ name, seats })),
  ];
  const driven = cars.map((car, i) => ({ ...car, driver: drivers[i] }));
  const riders = people.filter((id) => !driven.some(({ driver }) => driver === id));
  return driven.map(({ name, seats, driver }) => {
    const along = riders.splice(0, Math.max(0, seats - (driver ? 1 : 0)));
    const who = [...(driver ? [`${first(driver)} drives`] : []), ...along.map(first)];
    return who.length > 0 ? `${name} (${who.join(', ')})` : name;
  });
}
