import type { CargoRoom } from '@early-lantern/contract';
import data from './vehicle-types.json';

/** A kind of vehicle to copy the room from, before anybody has measured the real one. */
interface VehicleType {
  id: string;
  label: string;
  seats: number;
  cargo: CargoRoom;
  source: string;
}

/** Vehicles as they are about: no maker's, and none measured. */
export const vehicleTypes = data as readonly VehicleType[];
