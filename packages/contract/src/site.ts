import { z } from 'zod';
import { TooLoud } from './noise.ts';
import { Point } from './piece/common.ts';
import { repeated, withRule } from './rules.ts';
import { Hex, Id, LengthM, Name, Text, TimeOfDay } from './scalars.ts';
import { GeoPoint } from './travel.ts';

/** `iron` stands for metal that holds a magnet, `metal` for metal that does not; `mesh` for greenery on mesh. */
export const Surface = z.enum([
  'painted',
  'brick',
  'glass',
  'tile',
  'wallpaper',
  'wood',
  'iron',
  'metal',
  'fabric',
  'mesh',
]);
export type Surface = z.infer<typeof Surface>;

export const SpotKind = z.enum([
  'wall',
  'window',
  'tree',
  'open-floor',
  'table',
  'ceiling-run',
  'stair',
  'fence',
  'backdrop-stand',
]);
export type SpotKind = z.infer<typeof SpotKind>;

const Coordinate = z.number().min(-60).max(120);
const place = { id: Id, xM: Coordinate, yM: Coordinate };
const area = { ...place, widthM: LengthM.max(60), heightM: LengthM.max(20) };

/** A part of the spot of another surface; `xM`, `yM` its lower left corner. */
export const Region = z.strictObject({ ...area, surface: Surface });
export type Region = z.infer<typeof Region>;

/** Something there to tie or hang from; a rod, gutter or beam runs `lengthM` to the right. */
export const Fixing = z.strictObject({
  ...place,
  kind: z.enum(['rod', 'gutter', 'beam', 'nail', 'branch', 'frame']),
  lengthM: z.number().min(0).max(60),
});
export type Fixing = z.infer<typeof Fixing>;

/** Something nothing may cover or come near; the lower edge of a sprinkler's is its deflector. */
export const KeepClear = z.strictObject({
  ...area,
  kind: z.enum([
    'exit',
    'sign',
    'sprinkler',
    'alarm',
    'extinguisher',
    'heater',
    'candle',
    'walkway',
    'power-line',
  ]),
  /** From the wall to its near side, and how far it reaches out from there; left out, it holds at any distance from the wall. */
  frontM: z.number().min(0).max(60).optional(),
  depthM: LengthM.max(60).optional(),
  /** Of an exit: at which side its leaf is hinged that opens into the place, or both. */
  swing: z.enum(['left', 'right', 'both']).optional(),
});
export type KeepClear = z.infer<typeof KeepClear>;

export const PowerPoint = z.strictObject(place);
export type PowerPoint = z.infer<typeof PowerPoint>;

export const Floor = z.enum(['polished', 'carpet', 'grass', 'gravel', 'paving']);
export type Floor = z.infer<typeof Floor>;

const SpotFields = z.strictObject({
  id: Id,
  name: Name,
  kind: SpotKind,
  widthM: LengthM.max(60),
  heightM: LengthM.max(20),
  /** Floor that there is in front of it; left out, nobody has measured it. */
  depthM: LengthM.max(60).optional(),
  /** Where photographs are taken from: from the left of the spot, and out from it, m. */
  photoFrom: z.strictObject({ xM: LengthM.max(60), outM: LengthM.max(60) }).optional(),
  /** Where it is no plain rectangle: its corners in order. */
  outline: z.array(Point).min(3).max(24).optional(),
  surface: Surface,
  /** Its colour, where it is another than such surfaces usually have. */
  colour: Hex.optional(),
  // What is left out has not been looked at yet; an empty list says that there is none.
  regions: z.array(Region).max(40).optional(),
  fixings: z.array(Fixing).max(60).optional(),
  keepClear: z.array(KeepClear).max(60).optional(),
  power: z.array(PowerPoint).max(20).optional(),
  floor: Floor.optional(),
  /** Where it differs from the site. */
  indoors: z.boolean().optional(),
  /** How the wind comes at it outdoors; left out, as in the open. */
  openness: z.enum(['sheltered', 'open']).optional(),
  /** Of a stair: towards which side its treads go up, and by how much over the width of the spot. */
  stair: z.strictObject({ up: z.enum(['left', 'right']), riseM: LengthM.max(20) }).optional(),
  /** Indoors, as warm as it gets while the pieces stand; left out, a room's 21 °C. */
  tempC: z.number().min(-20).max(50).optional(),
  /** What keeps adhesive from holding. */
  conditions: z
    .array(z.enum(['fresh-paint', 'damp', 'hot']))
    .max(3)
    .optional(),
  /** Hours of direct sun by the workshop's clock; an empty list for none. */
  sun: z
    .array(z.strictObject({ from: TimeOfDay, to: TimeOfDay }))
    .max(4)
    .optional(),
});

/** A place at a site where a piece can hang or stand, seen in elevation: 0,0 is its lower left corner. */
export const Spot = withRule(
  SpotFields,
  SpotFields.pick({ regions: true, fixings: true, keepClear: true, power: true }),
  (spot) =>
    (['regions', 'fixings', 'keepClear', 'power'] as const).flatMap((list) =>
      repeated(
        (spot[list] ?? []).map((one) => one.id),
        list,
        'id',
      ),
    ),
);
export type Spot = z.infer<typeof Spot>;

const SiteFields = z.strictObject({
  id: Id,
  name: Name,
  indoors: z.boolean(),
  /** The work is done where the workshop is: nothing is loaded, driven or unloaded. */
  isWorkshop: z.boolean().optional(),
  /** Above the sea. */
  altitudeM: z.number().min(-400).max(5000).optional(),
  /** Where it is. */
  at: GeoPoint.optional(),
  /** One way from the workshop. */
  driveMin: z.int().min(0).max(720),
  loadIn: z.strictObject({
    /** From set-down to the spot, on foot. */
    distanceM: z.number().min(0).max(2000),
    steps: z.int().min(0).max(500),
    /** The narrowest door or passage on the way, clear width. */
    doorM: LengthM.max(20).optional(),
    lift: z.boolean().optional(),
    /** Floors that the lift goes up or down to the spot, and how many loads (a person carrying, or a wagon) it takes at once. */
    floors: z.int().min(0).max(100).optional(),
    liftLoads: z.int().min(1).max(20).optional(),
    /** Finding the set-down, signing in, and parking the van again, minutes; left out, none. */
    setDownMin: z.int().min(0).max(120).optional(),
    /** The longest rigid thing that gets round the tightest corner or into the lift. */
    longestM: LengthM.max(20).optional(),
    parking: Text.optional(),
    /** Hours in which the van may stand at the set-down, and for how many minutes at a time; left out, at any, for long. */
    kerb: z.strictObject({ from: TimeOfDay, to: TimeOfDay }).optional(),
    kerbMin: z.int().min(5).max(600).optional(),
  }),
  spots: z.array(Spot).min(1),
  rules: Text,
  /** What the house forbids; left out, nobody has asked yet. */
  forbids: z
    .array(z.enum(['adhesive', 'helium', 'confetti', 'stakes', 'candles']))
    .max(5)
    .optional(),
  quiet: z
    .strictObject({
      from: TimeOfDay,
      to: TimeOfDay,
      /** What is too loud then; inflators where not said. */
      loud: z.array(TooLoud).min(1).max(4).optional(),
    })
    .nullable()
    .optional(),
  /** What may be drawn at once from the power there is; left out, nobody has asked. */
  powerW: z.int().min(0).max(100_000).optional(),
  /** Who opens, where to sign in, which way in. */
  access: Text.optional(),
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
