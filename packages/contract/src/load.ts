import { z } from 'zod';
import { GearCount, GearItem } from './gear-away.ts';
import { PersonId, PieceId } from './ids.ts';
import { Id, Instant, LengthM, Name, Text } from './scalars.ts';

/** A box in a vehicle: from its front wall to its door, from its left, from its floor, m. */
const place = {
  xM: z.number().min(0).max(20),
  yM: z.number().min(0).max(6),
  zM: z.number().min(0).max(6),
  lengthM: LengthM.max(20),
  widthM: LengthM.max(6),
  heightM: LengthM.max(6),
};

/** A wheel arch, a sloping rear: nothing goes there, and what is flat on top carries. */
const BuiltIn = z.strictObject({ label: Name, ...place });

/** A row of seats that folds away: in use it takes its place of the room. */
const SeatRow = z.strictObject({ label: Name, seats: z.int().min(1).max(9), ...place });

/** The room of a vehicle for its load, with every seat folded that folds. */
export const CargoRoom = z.strictObject({
  lengthM: LengthM.max(20),
  widthM: LengthM.max(6),
  heightM: LengthM.max(6),
  /** The opening that things go in through. */
  doorWidthM: LengthM.max(6),
  doorHeightM: LengthM.max(6),
  /** What it may carry besides people, kg. */
  payloadKg: z.number().min(1).max(40_000),
  builtIn: z.array(BuiltIn).max(20).optional(),
  foldingSeats: z.array(SeatRow).max(6).optional(),
  /** A rack on the roof for ladders, poles and pipes. */
  roofRack: z
    .strictObject({
      lengthM: LengthM.max(10),
      widthM: LengthM.max(4),
      payloadKg: z.number().min(1).max(2000),
    })
    .optional(),
  /** An open bed: wind and rain reach what rides there. */
  isOpen: z.boolean().optional(),
});
export type CargoRoom = z.infer<typeof CargoRoom>;

/** Bags that the house owns, so many alike: how long and how wide one is when it is full. */
export const BagType = z.strictObject({
  id: Id,
  name: Name,
  lengthM: LengthM.max(12),
  diameterM: LengthM.max(4),
  count: z.int().min(0).max(1000),
});
export type BagType = z.infer<typeof BagType>;

/** How large and heavy a case, crate or stand of the house is when it rides, where it is not as the catalogue has it. */
export const RideSize = z.strictObject({
  /** By its name in the catalogue of what rides. */
  item: z.string().min(1).max(60),
  lengthM: LengthM.max(10),
  widthM: LengthM.max(10),
  heightM: LengthM.max(10),
  massKg: z.number().min(0.01).max(2000),
});
export type RideSize = z.infer<typeof RideSize>;

/** What a thing to be loaded is: soft goods ride on top and carry nothing stiff. */
export const CargoKind = z.enum([
  'section',
  'bag',
  'bouquet',
  'board',
  'pole',
  'base',
  'weight',
  'stand',
  'furniture',
  'ladder',
  'wagon',
  'cylinder',
  'crate',
  'kit',
]);
export type CargoKind = z.infer<typeof CargoKind>;

/** Whole millimetres: from the front wall of the vehicle to its door, from its left, from its floor. */
const mm = z.int().nonnegative();

export const LoadedItem = z.strictObject({
  id: z.string(),
  kind: CargoKind,
  label: z.string(),
  pieceId: PieceId.optional(),
  /** Where it comes off, where things of several places ride together. */
  place: z.string().optional(),
  massKg: z.number(),
  /** What may lie on it; on a soft one only what is soft. */
  bearsKg: z.number(),
  isSoft: z.boolean(),
  x: mm,
  y: mm,
  z: mm,
  l: mm,
  w: mm,
  h: mm,
  /** In which it is loaded, from 1: the last is the first to come off. */
  order: z.int(),
  /** At which it comes off, from 1. */
  stop: z.int(),
});
export type LoadedItem = z.infer<typeof LoadedItem>;

const Box = z.strictObject({ l: mm, w: mm, h: mm });

/** Something that rides to a place of a round, as it is kept for the jobs of the other places. */
export const RoundGood = z.strictObject({
  kind: CargoKind,
  label: z.string().max(300),
  id: z.string().min(1).max(300),
  size: Box,
  /** Which of its sides may stand up. */
  upright: z
    .array(z.enum(['h', 'w', 'l']))
    .min(1)
    .max(3),
  /** Other boxes of its volume that a bag may be pressed into. */
  shapes: z.array(Box).max(20).optional(),
  /** Both, with every bag squeezed. */
  squeezed: z.strictObject({ size: Box, shapes: z.array(Box).max(20).optional() }).optional(),
  massG: z.number().nonnegative(),
  /** What may lie on it in all, g. */
  bearsG: z.number().nonnegative(),
  isSoft: z.boolean().optional(),
  /** 1 for what is needed first, 2 for the rest. */
  stop: z.int().min(1).max(2),
});
export type RoundGood = z.infer<typeof RoundGood>;

/** A length of a garland that is made, bagged, carried and hung as one. */
export const Section = z.strictObject({
  /** Piece by letter, section by number. */
  id: z.string(),
  pieceId: PieceId,
  /** Along the garland. */
  fromM: z.number(),
  toM: z.number(),
  diameterM: z.number(),
  massKg: z.number(),
  bag: z.string(),
  /** It is hung as the first, second ... of its piece; left out where it has no points of its own. */
  hungAs: z.int().min(1).optional(),
  /** The bag of the house that takes it, by name; null where none does, left out where the house has not said which it has. */
  bagType: z.string().nullable().optional(),
  /** So many people carry it and hold it up while it is hung; of the crew so many are free to. */
  carriers: z.strictObject({ needed: z.int().min(1), there: z.int().min(0) }),
});
export type Section = z.infer<typeof Section>;

/** A vehicle as it drives out: the second trip of one is another. */
export const VehicleLoad = z.strictObject({
  id: Id,
  name: z.string(),
  /** 1 for the first trip, 2 for what it comes back for. */
  trip: z.int(),
  /** Its room, the rack on its roof, or the trailer behind it. */
  part: z.enum(['room', 'roof', 'trailer']),
  /** Of its room, less what is built in and the seats in use. */
  usedShare: z.number(),
  loadKg: z.number(),
  payloadKg: z.number(),
  room: z.strictObject({ l: mm, w: mm, h: mm, doorW: mm, doorH: mm, isOpen: z.boolean() }),
  /** What is built in, and the seats in use. */
  blocked: z.array(z.strictObject({ label: z.string(), x: mm, y: mm, z: mm, l: mm, w: mm, h: mm })),
  /** Of the load, kg times distance: how far its middle lies from the left, and from the front, as a share of the room. */
  balance: z.strictObject({ across: z.number(), along: z.number() }).nullable(),
  items: z.array(LoadedItem),
});
export type VehicleLoad = z.infer<typeof VehicleLoad>;

/** A drive of one vehicle with its people. */
export const Run = z.strictObject({
  trip: z.enum(['set-up', 'strike']),
  vehicle: Id,
  name: z.string(),
  driver: PersonId.nullable(),
  riders: z.array(PersonId),
  legs: z.array(
    z.strictObject({
      from: z.string(),
      to: z.string(),
      leave: Instant,
      arrive: Instant,
      /** What it carries, by the ids of the load. */
      carries: z.array(z.string()),
    }),
  ),
});
export type Run = z.infer<typeof Run>;

/** A rigid thing and what it has to go through or into. */
export const Clearance = z.strictObject({
  pieceId: PieceId,
  /** Whose it is. */
  piece: z.string(),
  thing: z.string(),
  through: z.string(),
  /** Its own measure and that of the opening, m; the latter null where nobody has measured it. */
  needsM: z.number(),
  hasM: z.number().nullable(),
});
export type Clearance = z.infer<typeof Clearance>;

/** What joins the parts of a piece: made up while it rides, or apart and put together on site. */
export const Joint = z.strictObject({
  pieceId: PieceId,
  label: z.string(),
  count: z.int().min(1),
  staysMade: z.boolean(),
  /** Why, a clause. */
  why: z.string(),
});
export type Joint = z.infer<typeof Joint>;

export const Fits = z.strictObject({
  sections: z.array(Section),
  joints: z.array(Joint),
  vehicles: z.array(VehicleLoad),
  unplaced: z.array(
    z.strictObject({
      id: z.string(),
      kind: CargoKind,
      label: z.string(),
      pieceId: PieceId.optional(),
      /** Why it goes nowhere, a sentence. */
      why: z.string(),
    }),
  ),
  runs: z.array(Run),
  /** Bags wanted of each kind that the house owns. */
  bags: z.array(z.strictObject({ name: z.string(), wanted: z.int(), owned: z.int() })),
  /** Long or wide rigid parts, and what they have to go through on the way. */
  clearances: z.array(Clearance),
  /** Vehicles of the run whose room nobody has recorded. */
  unmeasured: z.array(z.string()),
  /** The bags had to be squeezed by so much of their volume; 0 where they did not. */
  squeeze: z.number(),
  /** What is needed first lies at the door. */
  firstAtDoor: z.boolean(),
  /** Only by volume and the longest thing, while something is edited: nothing has a place yet. */
  isQuick: z.boolean(),
});
export type Fits = z.infer<typeof Fits>;

/** A line of the packing list. */
export const PackingRow = z.strictObject({
  id: z.string(),
  label: z.string(),
  qty: z.number(),
  unit: z.string(),
  /** The task that wants it first; null for what is taken along in any case. */
  forTask: z.string().nullable(),
  /** The bag or crate it goes into; null for what rides by itself. */
  bag: z.string().nullable(),
  /** The vehicle it rides in; null where it has no place yet. */
  vehicle: Id.nullable(),
  trip: z.int(),
  stop: z.int(),
  /** What becomes of it after the strike. */
  after: z.enum(['comes back', 'used up', 'rubbish']),
  /** Of what comes back: as what and how many it is counted in the workshop. */
  gear: z.strictObject({ item: GearItem, count: GearCount }).optional(),
  /** Why it is on the list. */
  why: z.string(),
});
export type PackingRow = z.infer<typeof PackingRow>;

/** A line of a packing list, by its id; a long list is ticked in one go. */
const RowIds = z.array(z.string().min(1).max(300)).min(1).max(1000);

/** Lines ticked by somebody, or no longer ticked. */
export const Ticking = z.strictObject({ rows: RowIds, by: PersonId });
export type Ticking = z.infer<typeof Ticking>;
export const Unticking = z.strictObject({ rows: RowIds });
export type Unticking = z.infer<typeof Unticking>;

/** Who says that the vehicle leaves; with lines that are not ticked, why it leaves all the same. */
export const Departing = z.strictObject({ by: PersonId, reason: Text.optional() });
export type Departing = z.infer<typeof Departing>;

const PackedAt = z.iso.datetime({ offset: true });

/** What has been ticked of a job's packing list, and whether it has left. */
export const PackingState = z.strictObject({
  ticks: z.array(z.strictObject({ row: z.string(), by: PersonId, at: PackedAt })),
  departure: z
    .strictObject({
      by: PersonId,
      at: PackedAt,
      reason: z.string(),
      /** What was not ticked by then, by its label. */
      left: z.array(z.string()),
    })
    .nullable(),
});
export type PackingState = z.infer<typeof PackingState>;
