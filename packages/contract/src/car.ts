import { z } from 'zod';
import { CargoRoom } from './load.ts';
import { Id, Name } from './scalars.ts';

/** A car besides the workshop's vehicles: somebody's own, or hired for a job. */
export const Car = z.strictObject({
  id: Id,
  name: Name,
  seats: z.int().min(1).max(9),
  /** Its room, where it takes a part of the load. */
  cargo: CargoRoom.optional(),
  /** Hired: for the job, in the workshop's money. */
  price: z.number().min(0).max(100_000).optional(),
});
export type Car = z.infer<typeof Car>;
