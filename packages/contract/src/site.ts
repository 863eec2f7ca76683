import { z } from 'zod';
import { repeated, withRule } from './rules.ts';
import { Id, LengthM, Name, Text } from './scalars.ts';

export const Surface = z.enum(['painted', 'brick', 'glass', 'iron', 'wood', 'fabric', 'mesh']);
export type Surface = z.infer<typeof Surface>;

/** A place at a site where a piece can hang or stand, seen in elevation: 0,0 is its lower left corner. */
export const Spot = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(['wall', 'window', 'fence']),
  widthM: LengthM.max(60),
  heightM: LengthM.max(20),
  surface: Surface,
});
export type Spot = z.infer<typeof Spot>;

const SiteFields = z.strictObject({
  id: Id,
  name: Name,
  indoors: z.boolean(),
  /** One way from the workshop. */
  driveMin: z.int().min(0).max(720),
  loadIn: z.strictObject({
    /** From set-down to the spot, on foot. */
    distanceM: z.number().min(0).max(2000),
    steps: z.int().min(0).max(500),
  }),
  spots: z.array(Spot).min(1),
  rules: Text,
  contact: Text,
});

/** A surveyed place, kept and used again. */
export const Site = withRule(SiteFields, SiteFields.pick({ spots: true }), ({ spots }) =>
  repeated(
    spots.map((spot) => spot.id),
    'spots',
    'id',
  ),
);
export type Site = z.infer<typeof Site>;
