import { z } from 'zod';
import { Busy, Methods, RestRule } from './clock.ts';
import { GearAway } from './gear-away.ts';
import { HoldRules, Hook, Ladder, MethodId, OwnLoad, Weight } from './hold.ts';
import { PersonId } from './ids.ts';
import { BagType, CargoRoom, RideSize } from './load.ts';
import { LookedKind, LookLimits } from './looks.ts';
import { Schools } from './piece/common.ts';
import { JobClaim, OwnPipe } from './pipe.ts';
import { repeated, withRule } from './rules.ts';
import { DiameterIn, Id, LengthM, Name, SharePct, TimeOfDay } from './scalars.ts';
import {
  Colour,
  HeldMaterial,
  Lack,
  MaterialStock,
  OnOrder,
  OpenDays,
  Pack,
  Reserved,
  SizeEntry,
  StockRow,
  Supplier,
} from './stock.ts';
import { GeoPoint } from './travel.ts';

/** What a crew member is trusted with. */
export const Skill = z.enum(['lead', 'driver', 'ladder', 'tying', 'helium']);
export type Skill = z.infer<typeof Skill>;

/** Daily hours in which a person can be asked to work, by the workshop's clock; over midnight where they end before they begin. */
const ShiftFields = z.strictObject({ from: TimeOfDay, to: TimeOfDay });
export const Shift = withRule(ShiftFields, ShiftFields, ({ from, to }) =>
  from !== to ? [] : [{ path: ['to'], reason: `the shift ends at ${to}, as it begins` }],
);

export const CrewMember = z.strictObject({
  id: Id,
  name: Name,
  skills: z.array(Skill),
  shift: Shift,
  /** How fast they work against the rates: 1 as they say, 1.2 a fifth faster. */
  pace: z.number().min(0.4).max(2).optional(),
  /** Paid for an hour, in the business's own currency. */
  wage: z.number().min(0).max(10_000).optional(),
  /** Times at which they cannot be asked, typed or read from their calendar. */
  busy: z.array(Busy).max(500).optional(),
  /** No longer here: put on no new job; the jobs that they are on keep them. */
  isArchived: z.boolean().optional(),
});
export type CrewMember = z.infer<typeof CrewMember>;

/** Every kind of work that has a rate of its own. Defaults live with the planning engine. */
export const RateKey = z.enum([
  'clean-floor',
  'duplet-5',
  'duplet-11',
  'duplet-17',
  'single-24',
  'single-36',
  'twist-quad',
  'twist-six',
  'twist-eight',
  'string-260',
  'string-neck',
  'string-line',
  'press-quad',
  'twist-on-pipe',
  'link-chain',
  'tie-bunch',
  'thread-letter',
  'fill-helium',
  'foil-shape',
  'fix-filler',
  'fix-band',
  'fix-dash',
  'fix-single',
  'fold-duplet',
  'stuff-balloon',
  'top-up-kept',
  'shine-wipe',
  'shine-spray',
  'bag-section',
  'load-vehicle',
  'load-heavy',
  'unload-30m',
  'carry-heavy',
  'protect-floor',
  'photograph-before',
  'adhesive-hook',
  'hang-point',
  'join-ends',
  'put-on',
  'arch-frame',
  'column-stand',
  'frame-stand',
  'backdrop-stand',
  'greenery-stand',
  'panel-mount',
  'clamp-kit',
  'tie-topper',
  'place-furniture',
  'template-check',
  'step-back',
  'look-again',
  'touch-up',
  'sign-off',
  'strike-section',
  'look-over',
  'return-gear',
]);
export type RateKey = z.infer<typeof RateKey>;

/** Three-point estimate of one unit of work, in seconds: quick <= usual <= slow. */
const RateFields = z.strictObject({
  quickS: z.number().nonnegative(),
  usualS: z.number().nonnegative(),
  slowS: z.number().nonnegative(),
});
export const Rate = withRule(RateFields, RateFields, (rate) => [
  ...(rate.usualS < rate.quickS ? [{ path: ['usualS'], reason: 'usual is quicker than quick' }] : []),
  ...(rate.slowS < rate.usualS ? [{ path: ['slowS'], reason: 'slow is quicker than usual' }] : []),
]);
export type Rate = z.infer<typeof Rate>;

export const Inflator = z.strictObject({
  id: Id,
  name: Name,
  nozzles: z.int().min(1).max(4),
  /** Air through one nozzle, litres a second; the usual where not said. */
  flowLps: z.number().min(0.5).max(100).optional(),
  /** It overheats: so many minutes on, then so many off. Runs on where not said. */
  onMin: z.int().min(1).max(240).optional(),
  offMin: z.int().min(0).max(240).optional(),
  /** What drives it: mains where not said. */
  power: z.enum(['mains', 'battery', 'hand']).optional(),
  /** What it draws from the mains; the usual where not said. */
  watts: z.int().min(10).max(5000).optional(),
});
export type Inflator = z.infer<typeof Inflator>;
export const Vehicle = z.strictObject({
  id: Id,
  name: Name,
  seats: z.int().min(1).max(20),
  /** The longest rigid thing that lies in it with its doors shut. */
  loadM: LengthM.max(20).optional(),
  /** Its room for the load; left out, nobody has measured it. */
  cargo: CargoRoom.optional(),
  /** A trailer that it pulls where a job asks for it. */
  trailer: CargoRoom.optional(),
  /** Who may drive it; left out, everybody who drives. */
  drivers: z.array(PersonId).min(1).max(60).optional(),
});
export type Vehicle = z.infer<typeof Vehicle>;

/** How long balloons from a nominal size up stay as they should, hours at 21 °C. */
export const HoldTime = z.strictObject({
  fromIn: DiameterIn,
  gas: z.enum(['air', 'helium']),
  hours: z.number().min(0.5).max(2000),
});
export type HoldTime = z.infer<typeof HoldTime>;

/** Zones found sound before: asking is slow, and a workshop asks for the same one at every validation. */
const knownZones = new Set<string>();

function isTimeZone(zone: string): boolean {
  if (knownZones.has(zone)) return true;
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    knownZones.add(zone);
    return true;
  } catch {
    return false;
  }
}

const SettingsFields = z.strictObject({
  name: Name,
  units: z.enum(['imperial', 'metric']),
  timeZone: z.string().refine(isTimeZone, 'must be an IANA time zone, like America/Chicago'),
  /** ISO 4217, for prices and pay. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'must be three letters, like USD')
    .optional(),
  /** Nobody has said yet whose workshop this is: the first start asks. */
  isNew: z.boolean().optional(),
  /** Rates the business has changed; the engine's defaults stand for the rest. */
  rates: z.partialRecord(RateKey, Rate),
  /** Chance wanted that every lot comes out complete, per cent. */
  spareTargetPct: SharePct.min(50).max(99.9),
  /** Spares are blown at the bench too; left out, they travel uninflated. */
  blowsSpares: z.boolean().optional(),
  /** Minutes wanted between sign-off and doors. */
  inHandTargetMin: z.int().min(0).max(240),
  colours: z.array(Colour).min(1),
  stock: z.array(StockRow),
  /** Own figures for sizes; the catalogue's defaults stand for the rest. */
  sizes: z.array(SizeEntry).max(40).optional(),
  /** 11 and 12 in., 16 to 18 in. are never used for each other. */
  familiesApart: z.boolean().optional(),
  packs: z.array(Pack).max(400).optional(),
  suppliers: z.array(Supplier).max(60).optional(),
  onOrder: z.array(OnOrder).max(400).optional(),
  /** Held for other jobs at the moment this was read; worked out, never typed. */
  reserved: z.array(Reserved).max(4000).optional(),
  heldMaterials: z.array(HeldMaterial).max(400).optional(),
  /** What other coming jobs lack, so that packs are bought for all of them; worked out, never typed. */
  othersLack: z.array(Lack).max(40_000).optional(),
  /** What this job used is recorded: it asks nothing more of the shelf; worked out, never typed. */
  isUsed: z.boolean().optional(),
  /** When deliveries are taken in; left out, on every day. */
  open: OpenDays.optional(),
  materials: z.array(MaterialStock).max(200).optional(),
  /** How this house works where a piece does not say otherwise. */
  schools: Schools.partial().optional(),
  ladders: z.array(Ladder).max(20).optional(),
  weights: z.array(Weight).max(40).optional(),
  /** The narrowest door between bench and vehicle; left out, nobody has measured it. */
  doorM: LengthM.max(20).optional(),
  /** Bags for balloons that it owns; left out, it has as many as it takes of one that holds `bagM3`. */
  bagTypes: z.array(BagType).max(12).optional(),
  /** What its gear measures when it rides; the catalogue's figures stand for the rest. */
  rideSizes: z.array(RideSize).max(60).optional(),
  ownPipes: z.array(OwnPipe).max(200).optional(),
  ownLoads: z.array(OwnLoad).max(200).optional(),
  /** What other jobs that are out at the same time take at the moment this was read; worked out, never typed. */
  overlapping: z.array(JobClaim).max(40).optional(),
  /** What did not come home whole from earlier jobs; worked out, never typed. */
  awayGear: z.array(GearAway).max(1000).optional(),
  holdRules: HoldRules.partial().optional(),
  /** Rated static loads the business has changed, newtons. */
  ratingsN: z.partialRecord(MethodId, z.number().min(0).max(5000)).optional(),
  /** What the eye is not to find, where the house has its own figures: for everything, and for kinds of pieces. */
  looks: LookLimits.partial().optional(),
  looksOfKind: z.partialRecord(LookedKind, LookLimits.partial()).optional(),
  /** Hooks and clamps in classes; of a method with none, its one rating stands. */
  hooks: z.array(Hook).max(40).optional(),
  /** Own hold times; the engine's defaults stand for the rest. */
  holdTimes: z.array(HoldTime).max(40).optional(),
  /** Where the bench stands: above the sea, and how warm. */
  altitudeM: z.number().min(-400).max(5000).optional(),
  at: GeoPoint.optional(),
  benchC: z.number().min(-10).max(45).optional(),
  /** How long anybody works without a rest. */
  rest: RestRule.optional(),
  /** Steps left out, renamed, waited before; steps of the house's own. */
  methods: Methods.optional(),
  /** How far extension cables reach; the usual where not said. */
  cablesM: LengthM.max(200).optional(),
  inflators: z.array(Inflator).min(1),
  vehicles: z.array(Vehicle).min(1),
  /** Wagons and dollies that ride along. */
  wagons: z.int().min(0).max(20).optional(),
  /** When work may be done in the workshop; left out, at any hour. */
  hours: Shift.nullable().optional(),
  /** Floor where finished sections lie until they are loaded, m²; left out, as much as it takes. */
  floorM2: z.number().min(1).max(5000).nullable().optional(),
  /** What a bag for loose balloons holds, m³. */
  bagM3: z.number().min(0.02).max(5).optional(),
});

function settingsBreaches(settings: {
  colours: Colour[];
  stock: StockRow[];
  inflators: { id: string }[];
  vehicles: { id: string }[];
  suppliers?: Supplier[] | undefined;
  onOrder?: OnOrder[] | undefined;
}) {
  const colours = new Set(settings.colours.map((colour) => colour.id));
  return [
    ...repeated(
      settings.colours.map((colour) => colour.id),
      'colours',
      'id',
    ),
    ...repeated(
      settings.inflators.map((inflator) => inflator.id),
      'inflators',
      'id',
    ),
    ...repeated(
      settings.vehicles.map((vehicle) => vehicle.id),
      'vehicles',
      'id',
    ),
    ...repeated(
      settings.stock.map((row) => `${row.nominalIn} in. ${row.colour}`),
      'stock',
    ),
    ...repeated(
      (settings.suppliers ?? []).map((supplier) => supplier.id),
      'suppliers',
      'id',
    ),
    ...repeated(
      (settings.onOrder ?? []).map((order) => order.id),
      'onOrder',
      'id',
    ),
    ...(settings.onOrder ?? []).flatMap((row, index) =>
      colours.has(row.colour)
        ? []
        : [{ path: ['onOrder', index, 'colour'], reason: `no colour "${row.colour}" in the workshop` }],
    ),
    ...settings.stock.flatMap((row, index) =>
      colours.has(row.colour)
        ? []
        : [{ path: ['stock', index, 'colour'], reason: `no colour "${row.colour}" in the workshop` }],
    ),
  ];
}

const settingsRead = SettingsFields.pick({
  colours: true,
  stock: true,
  inflators: true,
  vehicles: true,
  suppliers: true,
  onOrder: true,
});

/** The business itself, without its people: what the workshop row in the database holds. */
export const WorkshopSettings = withRule(SettingsFields, settingsRead, settingsBreaches);
export type WorkshopSettings = z.infer<typeof WorkshopSettings>;

const WorkshopFields = SettingsFields.extend({ crew: z.array(CrewMember).min(1) });

/** The business with its people: what a job file carries. */
export const Workshop = withRule(
  withRule(WorkshopFields, settingsRead, settingsBreaches),
  z.object({ crew: WorkshopFields.shape.crew }),
  ({ crew }) =>
    repeated(
      crew.map((member) => member.id),
      'crew',
      'id',
    ),
);
export type Workshop = z.infer<typeof Workshop>;
