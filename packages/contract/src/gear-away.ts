import { z } from 'zod';

/** What gear is: an item of the catalogue of materials, a weight by its name, or a ladder by its id. */
export const GearItem = z.string().min(1).max(140);

/** How many things one line of a packing list may be. */
export const GearCount = z.number().positive().max(10_000);

/** A line of packing lists that did not come home whole from another job, as it was told last. */
export const GearAway = z.strictObject({
  row: z.string().min(1).max(300),
  fate: z.enum(['damaged', 'missing', 'kept on site']),
  /** The job that it was at, by name. */
  job: z.string(),
  at: z.iso.datetime({ offset: true }),
  /** Where that was told: what it is, and how many. */
  item: GearItem.optional(),
  qty: GearCount.optional(),
});
export type GearAway = z.infer<typeof GearAway>;
