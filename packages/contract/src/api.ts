import { z } from 'zod';
import { GearAway } from './gear-away.ts';
import { JobHead, JobState } from './job.ts';
import { LampState } from './lamp-state.ts';
import { Piece, pieceKinds } from './piece/index.ts';
import { JobClaim } from './pipe.ts';
import { BalloonRow, Lamp, MaterialRow } from './plan.ts';
import { Id } from './scalars.ts';
import { Site } from './site.ts';
import { HeldMaterial, JobUse, Lack, Movement, Reserved } from './stock.ts';
import { CrewMember, WorkshopSettings } from './workshop.ts';

/** Counts up by one at every change of a row; an update must name the one it saw. */
export const Revision = z.int().min(1);

export const row = <D extends z.ZodType>(data: D) =>
  z.strictObject({ revision: Revision, updatedAt: z.iso.datetime({ offset: true }), data });

export const WorkshopRow = row(WorkshopSettings);
export type WorkshopRow = z.infer<typeof WorkshopRow>;
export const CrewRow = row(CrewMember);
export type CrewRow = z.infer<typeof CrewRow>;
export const SiteRow = row(Site);
export type SiteRow = z.infer<typeof SiteRow>;
export const PieceRow = row(Piece);
export type PieceRow = z.infer<typeof PieceRow>;
export const JobRow = z.strictObject({
  ...row(JobHead).shape,
  pieces: z.array(PieceRow),
  /** When what it used was recorded; null while it still holds its balloons. */
  usedAt: z.iso.datetime({ offset: true }).nullable(),
});
export type JobRow = z.infer<typeof JobRow>;

/** Which jobs a list shows; whatever is left out lets all pass. Lists are parted by commas. */
export const JobFilter = z.object({
  q: z
    .string()
    .max(200)
    .optional()
    .describe('words that begin words of the job, its place, pieces and people'),
  state: z
    .string()
    .regex(
      new RegExp(`^(${JobState.options.join('|')})(,(${JobState.options.join('|')}))*$`),
      'no such state',
    )
    .optional(),
  site: Id.optional(),
  person: Id.optional().describe('on its crew'),
  kind: z.enum(pieceKinds).optional().describe('has such a piece'),
  lamp: z.enum(['out', 'low']).optional().describe('some lamp says so, as it was worked out last'),
});
export type JobFilter = z.infer<typeof JobFilter>;

/** Something found by words. */
export const Found = z.strictObject({
  what: z.enum(['job', 'site', 'person']),
  id: Id,
  name: z.string(),
  /** The day and place of a job. */
  detail: z.string(),
});
export type Found = z.infer<typeof Found>;

/** A job in a month: no more than its day's square has room for. */
export const MonthJob = z.strictObject({
  id: Id,
  name: z.string(),
  doors: z.iso.datetime({ offset: true }),
  state: JobState,
  /** The worst that its lamps said when they were worked out last; null where that never was. */
  worst: LampState.nullable(),
});
export type MonthJob = z.infer<typeof MonthJob>;

/** As much of a job as it takes to find it. */
export const JobName = z.strictObject({ id: Id, name: z.string(), doors: z.iso.datetime({ offset: true }) });
export type JobName = z.infer<typeof JobName>;

/** A job that was deleted and can still be brought back. */
export const DeletedJob = z.strictObject({ ...JobName.shape, deletedAt: z.iso.datetime({ offset: true }) });
export type DeletedJob = z.infer<typeof DeletedJob>;

const Told = Lamp.pick({ state: true, figure: true, reason: true });
/** What a job's lamps say, without workings and ways out. */
export const ToldLamps = z.strictObject({
  enough: Told,
  lasts: Told,
  fits: Told,
  holds: Told,
  full: Told,
  onTime: Told,
});
export type ToldLamps = z.infer<typeof ToldLamps>;

/** The lamps of a job in a list: null while they are being worked out, and why they cannot be where that failed. */
export const JobLamps = z.strictObject({ lamps: ToldLamps.nullable(), failure: z.string().nullable() });
export type JobLamps = z.infer<typeof JobLamps>;

/** What an update sends: the new data, and the revision it was made from. */
export const update = <D extends z.ZodType>(data: D) => z.strictObject({ revision: Revision, data });

export const page = <D extends z.ZodType>(item: D) =>
  z.strictObject({
    items: z.array(item),
    /** Of all there are. */
    total: z.int().nonnegative(),
    /** Send it back as `after` for the next page; null on the last. */
    next: z.string().nullable(),
  });

export const PageQuery = z.object({
  limit: z.coerce.number().int().min(1).max(100).default(50),
  after: z.string().max(300).optional(),
});

/** Made up by whoever books: sent again under the same key, as after an answer that was lost, nothing is booked twice. */
export const BookingKey = z.uuid();
/** Movements that belong together: all are booked or none. */
export const Booking = z.strictObject({
  movements: z.array(Movement).min(1).max(500),
  key: BookingKey.optional(),
});
export type Booking = z.infer<typeof Booking>;

/** A movement as it stands in the ledger. */
export const MovementRow = z.strictObject({
  ...Movement.shape,
  id: z.int(),
  at: z.iso.datetime({ offset: true }),
  /** On the shelf after it. */
  onHand: z.int().nonnegative(),
  /** Name of its job, where it has one. */
  job: z.string().nullable(),
});
export type MovementRow = z.infer<typeof MovementRow>;

/** The shelf after a booking, with what was booked. */
export const Booked = z.strictObject({ workshop: WorkshopRow, movements: z.array(MovementRow) });
export type Booked = z.infer<typeof Booked>;

/** What other jobs leave to this one: of the shelf those with earlier doors, of gear those that are out at the same time. */
export const Availability = z.strictObject({
  reserved: z.array(Reserved),
  heldMaterials: z.array(HeldMaterial),
  othersLack: z.array(Lack),
  overlapping: z.array(JobClaim),
  awayGear: z.array(GearAway),
  /** What it used is recorded: it asks nothing more of the shelf. */
  isUsed: z.boolean(),
});
export type Availability = z.infer<typeof Availability>;

/** What was recorded for a job, and when. */
export const JobUseRow = z.strictObject({ at: z.iso.datetime({ offset: true }), data: JobUse });
export type JobUseRow = z.infer<typeof JobUseRow>;

/** Everything that one day's jobs take. */
export const DayCounts = z.strictObject({
  jobs: z.array(z.strictObject({ id: Id, name: z.string(), balloons: z.int() })),
  balloons: z.array(BalloonRow),
  materials: z.array(MaterialRow),
});
export type DayCounts = z.infer<typeof DayCounts>;

export const SheetName = z.enum(['catalogue', 'stock']);
export type SheetName = z.infer<typeof SheetName>;
export const SheetFormat = z.enum(['csv', 'xlsx']);
export type SheetFormat = z.infer<typeof SheetFormat>;

/** A sheet sent in: its file as base64. */
export const SheetUpload = z.strictObject({ format: SheetFormat, content: z.base64().max(4_000_000) });
export type SheetUpload = z.infer<typeof SheetUpload>;

/** What a sheet would change, row by row; with a single fault nothing of it is taken. */
export const SheetPreview = z.strictObject({
  rows: z.array(
    z.strictObject({
      /** In the file, from 1; the heading is line 1. */
      line: z.int(),
      values: z.record(z.string(), z.string()),
      change: z.enum(['new', 'changed', 'same']),
      faults: z.array(z.string()),
    }),
  ),
  faults: z.int(),
});
export type SheetPreview = z.infer<typeof SheetPreview>;

/** What an import did besides adding the job. */
export const ImportResult = z.strictObject({
  jobId: Id,
  renamed: z.boolean(),
  /** It was here already, just as in the file. */
  wasHere: z.boolean(),
  notes: z.array(z.string()),
});
export type ImportResult = z.infer<typeof ImportResult>;

export const Health = z.strictObject({
  status: z.enum(['ok', 'failing']),
  process: z.strictObject({ upS: z.number(), version: z.string() }),
  /** Not writable where its disk is full. */
  database: z.strictObject({
    reachable: z.boolean(),
    writable: z.boolean(),
    latencyMs: z.number().nullable(),
  }),
});
export type Health = z.infer<typeof Health>;
