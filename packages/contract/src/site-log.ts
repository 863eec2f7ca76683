import { z } from 'zod';
import { GearCount, GearItem } from './gear-away.ts';
import { ColourId, PersonId, PieceId } from './ids.ts';
import { DiameterIn, Id, Instant, Name, Text } from './scalars.ts';

/** Made by the device that writes it: 16 random bytes, so that two never make the same and none is counted twice. */
export const EntryId = z.string().regex(/^[0-9a-f]{32}$/, 'must be 32 hexadecimal digits');

/** The clock's task. */
const TaskId = z.string().min(1).max(200);

const Thousandth = z.int().min(-1000).max(3000);

/** A few words; not blank. */
const Words = z.string().trim().min(1).max(1000);

/** What becomes of gear that was to come back. */
export const GearFate = z.enum(['back', 'damaged', 'missing', 'kept on site']);
export type GearFate = z.infer<typeof GearFate>;

/** What somebody signs for: pieces, what is still open, what is handed over with them, and when they are taken down. */
export const Delivery = z.strictObject({
  delivered: z.array(z.string().max(300)).max(60),
  open: z.array(z.string().max(300)).max(200),
  handedOver: z.array(z.string().max(600)).max(40),
  strikeFrom: Instant.nullable(),
  /** Photos of what stands, each with what is on it; left out where none was taken. */
  photos: z
    .array(z.strictObject({ id: Id, of: Name }))
    .min(1)
    .max(60)
    .optional(),
});
export type Delivery = z.infer<typeof Delivery>;

/** What somebody on site says happened. */
export const SiteEvent = z.discriminatedUnion('kind', [
  /** Whoever says it begins on a task, or goes on with it. */
  z.strictObject({ kind: z.literal('start'), task: TaskId }),
  /** Whoever says it leaves it for now. */
  z.strictObject({ kind: z.literal('pause'), task: TaskId }),
  /** The task is done, whoever else was on it. */
  z.strictObject({ kind: z.literal('done'), task: TaskId }),
  /** When somebody was on a task after all, where it was not ticked at the time. */
  z.strictObject({
    kind: z.literal('times'),
    task: TaskId,
    person: PersonId,
    from: Instant,
    until: Instant,
  }),
  /** Balloons that popped. */
  z.strictObject({
    kind: z.literal('popped'),
    nominalIn: DiameterIn,
    colour: ColourId,
    count: z.int().min(1).max(1000),
    task: TaskId.optional(),
  }),
  /** Fresh balloons blown on site in the place of those that popped. */
  z.strictObject({
    kind: z.literal('topped-up'),
    nominalIn: DiameterIn,
    colour: ColourId,
    count: z.int().min(1).max(1000),
  }),
  /** Balloons that are whole after the strike and are kept for another job; the newest count of each product holds. */
  z.strictObject({
    kind: z.literal('kept'),
    nominalIn: DiameterIn,
    colour: ColourId,
    count: z.int().min(0).max(10_000),
  }),
  /** Balloons of a lot that are blown in one of the clock's tasks. */
  z.strictObject({
    kind: z.literal('blown'),
    task: TaskId,
    lot: z.string().min(1).max(60),
    count: z.int().min(1).max(1000),
  }),
  /** Words to everybody on the job, and who has read them. */
  z.strictObject({ kind: z.literal('message'), text: Words }),
  z.strictObject({ kind: z.literal('message-read'), message: EntryId }),
  /** A task will take so much longer than planned. */
  z.strictObject({ kind: z.literal('late'), task: TaskId, minutes: z.int().min(1).max(720) }),
  /** It does not go on without help. */
  z.strictObject({ kind: z.literal('stuck'), task: TaskId.optional(), text: Words }),
  z.strictObject({
    kind: z.literal('note'),
    task: TaskId.optional(),
    piece: PieceId.optional(),
    text: Words,
  }),
  /** Somebody has read what may hurt at a task, before beginning it. */
  z.strictObject({ kind: z.literal('caution-read'), task: TaskId, code: z.string().min(1).max(60) }),
  /** Somebody has looked a ladder over before climbing it: it is sound, or it is not to be climbed. */
  z.strictObject({ kind: z.literal('ladder-checked'), gear: Id, isSound: z.boolean() }),
  /** Nothing happened, nearly. */
  z.strictObject({ kind: z.literal('near-miss'), task: TaskId.optional(), text: Words }),
  /** A line of what is to be looked at when one steps back: it is well, or it is a fault to mend. */
  z.strictObject({
    kind: z.literal('looked'),
    piece: PieceId,
    line: z.string().min(1).max(1000),
    isFault: z.boolean(),
  }),
  /** A fault that nobody had thought of, to be mended: where it is, and what. */
  z.strictObject({ kind: z.literal('fault'), piece: PieceId.optional(), text: Words }),
  /** What became of a line of the packing list after the strike. */
  z.strictObject({
    kind: z.literal('gear'),
    row: z.string().min(1).max(300),
    fate: GearFate,
    /** What the line is and how many, so that other jobs can go by it. */
    item: GearItem.optional(),
    qty: GearCount.optional(),
    /** With it every line that was to come back has been counted. */
    isAll: z.literal(true).optional(),
  }),
  /** The strongest gust that was felt or measured by then; the newest counts. */
  z.strictObject({ kind: z.literal('wind'), gustMs: z.number().min(0).max(80) }),
  /**
   * The house or the client has signed for what they got. It stands for ever as it was: nothing replaces it, and what comes later is
   * another one.
   */
  z.strictObject({
    kind: z.literal('signed'),
    name: Name,
    remarks: z.string().max(1000),
    /** The name drawn with a finger: lines of points, in thousandths of the width of the field. Empty where it was only typed. */
    strokes: z
      .array(
        z
          .array(z.tuple([Thousandth, Thousandth]))
          .min(1)
          .max(1000),
      )
      .max(100),
    /** What they signed for, as it stood on the glass. */
    ...Delivery.shape,
  }),
  /** Somebody is not here, until it is taken back. */
  z.strictObject({ kind: z.literal('absent'), person: PersonId }),
  /** A tool, ladder or vehicle is not to be had: broken, lost, or left behind. */
  z.strictObject({ kind: z.literal('gear-gone'), gear: Id }),
  /** A bag or crate of the packing list is lost, with all that is in it. */
  z.strictObject({ kind: z.literal('bag-gone'), bag: z.string().min(1).max(120) }),
  /** The house lets the crew in only from then. */
  z.strictObject({ kind: z.literal('access-late'), from: Instant }),
  /** It rains, and is believed to until then: outdoors nothing is put up before; the newest counts. */
  z.strictObject({ kind: z.literal('rain'), until: Instant }),
  /** The rest of the day as the lead has planned it anew; the newest counts. */
  z.strictObject({
    kind: z.literal('replanned'),
    tasks: z
      .array(
        z.strictObject({
          task: TaskId,
          start: Instant,
          end: Instant,
          crew: z.array(PersonId).max(31),
          /** Where it is another than planned. */
          gear: z.array(Id).max(20).optional(),
        }),
      )
      .max(1000),
    /** Tasks that are not done today. */
    leftOut: z.array(TaskId).max(200),
  }),
  /** What it replaces is taken back, or is over: nothing takes its place. */
  z.strictObject({ kind: z.literal('taken-back'), why: z.string().max(200).optional() }),
]);
export type SiteEvent = z.infer<typeof SiteEvent>;

/** One line of a job's log on site, as a device writes it: never changed, only added to. */
export const SiteEntry = z.strictObject({
  id: EntryId,
  /** By the clock of the device. */
  at: Instant,
  by: PersonId,
  event: SiteEvent,
  /** Entries that no longer hold, known to whoever wrote this one. What they did not know of still holds. */
  replaces: z.array(EntryId).min(1).max(50).optional(),
});
export type SiteEntry = z.infer<typeof SiteEntry>;

/** As it is kept: numbered in the order in which the server got to know of it, its time by the server's clock. */
export const KeptEntry = z.strictObject({ ...SiteEntry.shape, seq: z.int().positive(), device: Id });
export type KeptEntry = z.infer<typeof KeptEntry>;

/** What a device has written down since it last reached the server. */
export const SentEntries = z.strictObject({
  device: Id,
  /** The server's clock less the device's, ms, as the device has measured it: it is added to its times. */
  clockOffMs: z.int(),
  entries: z.array(SiteEntry).max(200),
  /** The last entry that the device knows of, by its number and its id. */
  after: z
    .int()
    .min(0)
    .max(2 ** 31 - 1),
  afterId: EntryId.optional(),
});
export type SentEntries = z.infer<typeof SentEntries>;

/** What was written down of a job after a number, in the order of numbers: of a long log its next part. */
export const SiteLog = z.strictObject({
  entries: z.array(KeptEntry),
  /** The last number that there is: where the next one to ask after is lower, there is more. */
  last: z.int().nonnegative(),
  /** The server's clock. */
  now: Instant,
  /**
   * The last entry that the device knows of is not in this log: a backup was restored meanwhile. It begins from the first entry
   * again, and the device sends all that it has.
   */
  isAnew: z.boolean(),
});
export type SiteLog = z.infer<typeof SiteLog>;

/** A line of what came of a job: a task and who was on it, planned and as it was. Times with their offset, spans in minutes. */
export const ActualRow = z.strictObject({
  task: z.string(),
  label: z.string(),
  pieceId: z.string(),
  kind: z.string(),
  stage: z.string(),
  person: z.string(),
  plannedStart: z.string(),
  plannedEnd: z.string(),
  plannedMin: z.number().nullable(),
  start: z.string(),
  end: z.string(),
  workedMin: z.number().nullable(),
  isDone: z.boolean(),
  note: Text,
  /** How its piece was made, one column for each technique; empty for what belongs to no piece. */
  joining: z.string(),
  tie: z.string(),
  fillerFixing: z.string(),
  sizing: z.string(),
  inflatedAt: z.string(),
  dressing: z.string(),
  onPipe: z.string(),
  bloom: z.string(),
});
export type ActualRow = z.infer<typeof ActualRow>;

/** A line of what came of a piece. Times UTC, hours, gusts m/s at the place. */
export const PieceActualRow = z.strictObject({
  pieceId: z.string(),
  piece: z.string(),
  kind: z.string(),
  /** The last of its tasks on site was done, and the first of its strike begun. */
  stoodFrom: z.string(),
  downAt: z.string(),
  heldHours: z.number().nullable(),
  popped: z.int(),
  /** Faults seen, whether they were mended or not. */
  faults: Text,
  strongestGustMs: z.number().nullable(),
});
export type PieceActualRow = z.infer<typeof PieceActualRow>;
