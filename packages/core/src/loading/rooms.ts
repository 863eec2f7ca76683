import type { CargoRoom, JobFile, VehicleLoad } from '@early-lantern/contract';
import { carsOn } from '../clock/rounds.ts';
import type { Trip } from '../clock/work.ts';
import type { CargoSpace } from './cargo.ts';

/** A vehicle that goes out for a job, with its people and its room. */
export interface Ride {
  id: string;
  name: string;
  seats: number;
  driver: string | null;
  riders: string[];
  cargo: CargoRoom | undefined;
  /** The trailer it pulls on this job. */
  trailer: CargoRoom | undefined;
}

interface Drive {
  /** Everybody who goes, drivers among them. */
  people: readonly string[];
  /** The workshop's vehicles, by id. */
  vehicles: readonly string[];
}

/** The vehicles and cars of a drive, each with its driver as far as there are any, filled in turn. */
export function ridesOf(file: JobFile, trip: Trip, { people, vehicles }: Drive): Ride[] {
  const { workshop, job } = file;
  const drivers = people.filter((id) =>
    workshop.crew.find((one) => one.id === id)?.skills.includes('driver'),
  );
  const mayDrive = (id: string, { drivers: only }: { drivers?: readonly string[] | undefined }) =>
    only === undefined || only.includes(id);
  const cars = [
    ...vehicles.flatMap((id) => workshop.vehicles.find((one) => one.id === id) ?? []),
    ...carsOn(file, trip).map((car) => ({ ...car, drivers: undefined, trailer: undefined })),
  ];
  const chosen = driversOf(cars, drivers, mayDrive);
  const driven = cars.map((car, i) => ({ ...car, driver: chosen[i] ?? null }));
  const riders = people.filter((id) => !driven.some(({ driver }) => driver === id));
  return driven.map(({ id, name, seats, driver, cargo, trailer }) => ({
    id,
    name,
    seats,
    driver,
    riders: riders.splice(0, Math.max(0, seats - (driver ? 1 : 0))),
    cargo,
    trailer: job.trailers?.includes(id) ? trailer : undefined,
  }));
}

/**
 * A driver for each car, for as many cars as can be: the first cars first, everybody in one at most.
 * @param mayDrive whether somebody may drive a car
 */
function driversOf<Car>(
  cars: readonly Car[],
  drivers: readonly string[],
  mayDrive: (id: string, car: Car) => boolean,
): (string | undefined)[] {
  const [car, ...others] = cars;
  if (car === undefined) return [];
  const ways = [...drivers.filter((id) => mayDrive(id, car)), undefined].map((driver) => [
    driver,
    ...driversOf(
      others,
      drivers.filter((id) => id !== driver),
      mayDrive,
    ),
  ]);
  const number = (way: readonly unknown[]) => way.filter((one) => one !== undefined).length;
  return ways.reduce((a, b) => (number(b) > number(a) ? b : a));
}

const mm = (metres: number) => Math.round(metres * 1000);

interface Blocked {
  label: string;
  xM: number;
  yM: number;
  zM: number;
  lengthM: number;
  widthM: number;
  heightM: number;
}

/** A built-in box as far as it lies in the room; nothing where it does not. */
function within({ label, xM, yM, zM, lengthM, widthM, heightM }: Blocked, room: CargoRoom) {
  const [x, y, z] = [mm(xM), mm(yM), mm(zM)];
  const box = {
    label,
    x,
    y,
    z,
    l: Math.min(mm(lengthM), mm(room.lengthM) - x),
    w: Math.min(mm(widthM), mm(room.widthM) - y),
    h: Math.min(mm(heightM), mm(room.heightM) - z),
  };
  return box.l > 0 && box.w > 0 && box.h > 0 ? [box] : [];
}

/** What takes room in a vehicle: what is built in, and the rows of seats that its people sit on. */
export function blockedIn(room: CargoRoom, seats: number, people: number): VehicleLoad['blocked'] {
  const rows = room.foldingSeats ?? [];
  let seated = seats - rows.reduce((sum, row) => sum + row.seats, 0);
  const inUse = rows.filter((row) => {
    const isNeeded = people > seated;
    if (isNeeded) seated += row.seats;
    return isNeeded;
  });
  return [...(room.builtIn ?? []), ...inUse].flatMap((one) => within(one, room));
}

/** What is strapped to a rack may be so high, mm. From memory. */
const RACK_H = 550;

/** The rack on the roof as the search takes it. */
export const rackOf = ({ lengthM, widthM, payloadKg }: NonNullable<CargoRoom['roofRack']>): CargoSpace => ({
  l: mm(lengthM),
  w: mm(widthM),
  h: RACK_H,
  blocked: [],
  door: { w: mm(widthM), h: RACK_H },
  payloadG: Math.round(payloadKg * 1000),
});

/** The room as the search takes it. */
export const spaceOf = (room: CargoRoom, blocked: VehicleLoad['blocked']): CargoSpace => ({
  l: mm(room.lengthM),
  w: mm(room.widthM),
  h: mm(room.heightM),
  blocked,
  door: { w: mm(room.doorWidthM), h: mm(room.doorHeightM) },
  payloadG: Math.round(room.payloadKg * 1000),
});
