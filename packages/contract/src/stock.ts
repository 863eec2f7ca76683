import { z } from 'zod';
import { Grade, InflatedRange } from './piece/common.ts';
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

const product = { nominalIn: DiameterIn, colour: Id };

/** Balloons on the shelf, uninflated. */
export const StockRow = z.strictObject({ ...product, onHand: z.int().nonnegative().max(MOST_ON_HAND) });
export type StockRow = z.infer<typeof StockRow>;

/** A bag as it is sold: for one product, or for every colour of the size. */
export const Pack = z.strictObject({
  nominalIn: DiameterIn,
  colour: Id.optional(),
  count: z.int().min(1).max(5000),
  price: z.number().nonnegative().max(100_000).optional(),
});
export type Pack = z.infer<typeof Pack>;

export const Supplier = z.strictObject({
  id: Id,
  name: Name,
  /** Days from order to arrival. */
  leadDays: z.int().min(0).max(120),
});
export type Supplier = z.infer<typeof Supplier>;

export const OnOrder = z.strictObject({
  id: Id,
  ...product,
  count: z.int().min(1).max(100_000),
  arrives: Day,
});
export type OnOrder = z.infer<typeof OnOrder>;

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

export const MovementKind = z.enum(['received', 'counted', 'adjusted', 'used', 'returned', 'corrected']);
export type MovementKind = z.infer<typeof MovementKind>;

/** One entry of the shelf's ledger: so many balloons came or went. */
export const Movement = z.strictObject({
  ...product,
  kind: MovementKind,
  /** Balloons added; below zero for taken away. */
  change: z.int().min(-100_000).max(100_000),
  note: Text,
});
export type Movement = z.infer<typeof Movement>;
