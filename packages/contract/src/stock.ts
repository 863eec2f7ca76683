import { z } from 'zod';
import { ColourId } from './ids.ts';
import { Grade, InflatedRange } from './piece/common.ts';
import { withRule } from './rules.ts';
import { DiameterIn, Hex, Id, Name, SharePct, Text } from './scalars.ts';

/** A day, `YYYY-MM-DD`. */
export const Day = z.iso.date();

export const Finish = z.enum(['matte', 'pearl', 'mirror', 'clear', 'marbled']);
export type Finish = z.infer<typeof Finish>;

/** CIE L*a*b* (D65, 2°). */
export const Lab = z.strictObject({
  l: z.number().min(0).max(100),
  a: z.number().min(-128).max(128),
  b: z.number().min(-128).max(128),
});
export type Lab = z.infer<typeof Lab>;

/** A colour the business buys balloons in: with its finish, a product line. */
export const Colour = z.strictObject({
  id: Id,
  name: Name,
  hex: Hex,
  finish: Finish.optional(),
  /** Measured, where the screen's shade is not enough. */
  lab: Lab.optional(),
  /** Nominal sizes it is made in; left out, every size. */
  sizesIn: z.array(DiameterIn).max(20).optional(),
  grade: Grade.optional(),
  /** Own experience: lost in making, per cent; it goes before the grade's figure. */
  lossPct: SharePct.max(60).optional(),
  supplierId: Id.optional(),
  /** What sun, heat and hours do to it. */
  exposure: Text.optional(),
  /** In the sun it fails in air above this, °C, by its maker or by one's own experience. */
  failsAboveC: z.number().min(15).max(60).optional(),
  /** No longer bought: offered for no new piece; the pieces that have it keep it. */
  isArchived: z.boolean().optional(),
});
export type Colour = z.infer<typeof Colour>;

/** A size as it is sold: diameters it is usually blown to, mass, and what to take more of for the site. */
export const SizeEntry = z.strictObject({
  nominalIn: DiameterIn,
  blowIn: InflatedRange,
  massG: z.number().positive().max(500),
  /** Taken along for mishaps on site, per cent of the need. */
  topUpPct: SharePct,
});
export type SizeEntry = z.infer<typeof SizeEntry>;

/** No shelf holds more of one thing. */
const MOST_ON_HAND = 1_000_000;

const product = { nominalIn: DiameterIn, colour: ColourId };

/** Balloons on the shelf, uninflated. */
export const StockRow = z.strictObject({ ...product, onHand: z.int().nonnegative().max(MOST_ON_HAND) });
export type StockRow = z.infer<typeof StockRow>;

/** A bag as it is sold: for one product, or for every colour of the size. */
export const Pack = z.strictObject({
  nominalIn: DiameterIn,
  colour: ColourId.optional(),
  count: z.int().min(1).max(5000),
  price: z.number().nonnegative().max(100_000).optional(),
});
export type Pack = z.infer<typeof Pack>;

/** A day of the week, 1 for Monday to 7 for Sunday (ISO 8601). */
export const Weekday = z.int().min(1).max(7);

const DaySpanFields = z.strictObject({ from: Day, until: Day });

/** Days from one to another, both within. */
export const DaySpan = withRule(DaySpanFields, DaySpanFields, ({ from, until }) =>
  until >= from ? [] : [{ path: ['until'], reason: `ends on ${until}, before it begins` }],
);
export type DaySpan = z.infer<typeof DaySpan>;

/** When a business is open; of one that says nothing, every day. */
export const OpenDays = z.strictObject({
  workdays: z.array(Weekday).min(1, 'open on one day of the week at least').max(7).optional(),
  /** Holidays and other days on which it is shut. */
  closed: z.array(DaySpan).max(60).optional(),
});
export type OpenDays = z.infer<typeof OpenDays>;

export const Supplier = z.strictObject({
  id: Id,
  name: Name,
  /** Days from order to arrival, of those on which the supplier is open. */
  leadDays: z.int().min(0).max(120),
  ...OpenDays.shape,
});
export type Supplier = z.infer<typeof Supplier>;

export const OnOrder = z.strictObject({
  id: Id,
  ...product,
  count: z.int().min(1).max(100_000),
  arrives: Day,
});
export type OnOrder = z.infer<typeof OnOrder>;

/** What another coming job lacks of a product, and by when it wants it. */
export const Lack = z.strictObject({ ...product, job: Name, wanted: Day, count: z.int().min(1) });
export type Lack = z.infer<typeof Lack>;

/** How many of a product a coming job needs, its spares included. */
export const ProductWant = z.strictObject({ jobId: Id, job: Name, count: z.int().min(1) });
export type ProductWant = z.infer<typeof ProductWant>;

/** Materials that other jobs count on: consumables of those with earlier doors, gear of those that overlap too. */
export const HeldMaterial = z.strictObject({
  item: Id,
  count: z.number().nonnegative(),
  jobs: z.array(Name),
});
export type HeldMaterial = z.infer<typeof HeldMaterial>;

/** Balloons of the shelf that other jobs count on. */
export const Reserved = z.strictObject({
  ...product,
  count: z.int().nonnegative(),
  jobs: z.array(Name),
});
export type Reserved = z.infer<typeof Reserved>;

/** A consumable or a piece of gear on the shelf, by the catalogue's item name; an own one brings its words along. */
export const MaterialStock = z.strictObject({
  item: Id,
  onHand: z.number().nonnegative().max(MOST_ON_HAND),
  own: z.strictObject({ label: Name, unit: Name, isGear: z.boolean() }).optional(),
});
export type MaterialStock = z.infer<typeof MaterialStock>;

/** In which direction a kind of movement changes the shelf; a correction may do either. */
const directions = {
  opening: 1,
  received: 1,
  counted: 0,
  adjusted: 0,
  used: -1,
  popped: -1,
  returned: 1,
  corrected: 0,
} as const;

export const MovementKind = z.enum([
  'opening',
  'received',
  'counted',
  'adjusted',
  'used',
  'popped',
  'returned',
  'corrected',
]);
export type MovementKind = z.infer<typeof MovementKind>;

const MovementFields = z.strictObject({
  ...product,
  kind: MovementKind,
  /** Balloons added; below zero for taken away. */
  change: z.int().min(-100_000).max(100_000),
  note: Text,
  /** The job that it belongs to. */
  jobId: Id.optional(),
});

/** One entry of the shelf's ledger: so many balloons came or went. */
export const Movement = withRule(
  MovementFields,
  MovementFields.pick({ kind: true, change: true }),
  ({ kind, change }) => {
    if (change === 0) return [{ path: ['change'], reason: 'nothing came or went' }];
    const direction = directions[kind];
    if (direction * change >= 0) return [];
    return [
      {
        path: ['change'],
        reason: direction > 0 ? `${kind} adds to the shelf` : `${kind} takes from the shelf`,
      },
    ];
  },
);
export type Movement = z.infer<typeof Movement>;

/** One entry of the ledger of consumables and gear: kept whenever what is on hand of an item changes. */
export const ItemMovement = z.strictObject({
  id: z.int(),
  at: z.iso.datetime({ offset: true }),
  item: Id,
  kind: z.enum(['counted', 'used', 'returned']),
  /** In the item's unit; below zero for taken away. */
  change: z.number(),
  onHand: z.number(),
  note: Text,
  /** Name of the job that it belongs to; null where it belongs to none, or the job is gone. */
  job: Name.nullable(),
});
export type ItemMovement = z.infer<typeof ItemMovement>;

/** What a job used of a product: hung, and lost in making. */
export const UsedRow = z.strictObject({
  ...product,
  used: z.int().nonnegative().max(100_000),
  popped: z.int().nonnegative().max(100_000),
});
export type UsedRow = z.infer<typeof UsedRow>;

/** What is recorded once for a job when it is over: from then on it holds nothing of the shelf. */
export const JobUse = z.strictObject({
  balloons: z.array(UsedRow).max(500),
  /** Consumables, by the catalogue's item name. */
  materials: z.array(z.strictObject({ item: Id, used: z.number().nonnegative().max(100_000) })).max(200),
});
export type JobUse = z.infer<typeof JobUse>;
