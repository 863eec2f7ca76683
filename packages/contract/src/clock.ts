import { z } from 'zod';
import { Car } from './car.ts';
import { PersonId } from './ids.ts';
import { RoundGood } from './load.ts';
import { TooLoud } from './noise.ts';
import { repeated, withRule } from './rules.ts';
import { Id, Instant, Name } from './scalars.ts';

const TaskId = z.string().min(1).max(200);

/** A task kept to a start, to people, or to both, by somebody's choice. */
const PinFields = z.strictObject({
  task: TaskId,
  start: Instant.optional(),
  crew: z.array(PersonId).min(1).max(31).optional(),
});
export const Pin = withRule(PinFields, PinFields, ({ start, crew }) =>
  start || crew ? [] : [{ path: ['start'], reason: 'a pin needs a start or people' }],
);
export type Pin = z.infer<typeof Pin>;

/** A task as it was agreed for the whole day: it stays there until the day is planned anew. */
export const AgreedTask = z.strictObject({
  task: TaskId,
  start: Instant,
  /** When it was to end: what has grown since is named. */
  end: Instant.optional(),
  crew: z.array(PersonId).max(31),
  gear: z.array(Id).max(100).optional(),
});
export type AgreedTask = z.infer<typeof AgreedTask>;

/** A place of a round: a job's, with the drive to it from the place before, the first from the workshop. */
const RoundStop = z.strictObject({
  job: Id,
  place: Name,
  driveMin: z.int().min(0).max(720),
  /** Left out, all on board work or wait there; else some are dropped off to work there, or are fetched again. */
  does: z.enum(['drop', 'fetch']).optional(),
  /** Who rides to it; left out, everybody. */
  riders: z.array(PersonId).min(1).max(31).optional(),
  /** Before it sets out for this place the vehicle goes home: how long that takes, and with whom. */
  byHome: z
    .strictObject({ driveMin: z.int().min(0).max(720), riders: z.array(PersonId).min(1).max(31) })
    .optional(),
  /** Vehicles that stay with those dropped off and bring them home, by id: then nobody fetches them. */
  keeps: z.array(Id).min(1).max(20).optional(),
  /** From when to when the crew is there, as it was agreed. */
  arrive: Instant.optional(),
  leave: Instant.optional(),
  /** What rides there, as it was when the round was agreed on: the jobs of a round are loaded as one. */
  goods: z.array(RoundGood).max(1000).optional(),
});
export type RoundStop = z.infer<typeof RoundStop>;

/** One drive to the places of one or several jobs and home, instead of one each; every job of it has the same. */
const RoundFields = z.strictObject({
  trip: z.enum(['set-up', 'strike']),
  /** In the order in which they are driven to. */
  stops: z.array(RoundStop).min(1).max(12),
  /** From the last place back to the workshop. */
  homeMin: z.int().min(0).max(720),
  /** Everybody who rides, whichever job they work on. */
  people: z.array(PersonId).min(1).max(31),
  /** Who rides home from the last place; left out, everybody. */
  homeRiders: z.array(PersonId).min(1).max(31).optional(),
  /** Cars besides the workshop's vehicles that drive along: those of all its jobs. */
  cars: z.array(Car).max(36).optional(),
  /** The order of its places was set by hand: it is kept when the day is planned anew. */
  isKept: z.boolean().optional(),
  /** When it leaves the workshop and is back there, and what drives, as it was agreed. */
  leave: Instant.optional(),
  home: Instant.optional(),
  vehicles: z.array(Id).max(20).optional(),
});
export const Round = withRule(RoundFields, RoundFields.pick({ stops: true }), ({ stops }) => [
  ...repeated(
    stops.flatMap(({ job, does }) => (does === 'fetch' ? [] : [job])),
    'stops',
    'job',
  ),
  ...stops.flatMap(({ job, does, keeps }, i) => {
    const others = (which: 'drop' | 'fetch') =>
      stops.filter((one, k) => one.job === job && one.does === which && (which === 'fetch' ? k > i : k < i));
    if (does === 'fetch' && others('drop').length !== 1)
      return [{ path: ['stops', i, 'does'], reason: 'nobody was dropped off there before' }];
    if (does === 'drop' && !keeps && others('fetch').length !== 1)
      return [{ path: ['stops', i, 'does'], reason: 'who is dropped off there is not fetched' }];
    return [];
  }),
]);
export type Round = z.infer<typeof Round>;

/** What people have chosen about when things are done; the plan is made around it. */
export const ClockChoices = z.strictObject({
  agreed: z
    .strictObject({
      at: Instant,
      tasks: z.array(AgreedTask).max(1000),
      /** Minutes to spare that it left: less than was wanted may have been all that the day had. */
      inHandMin: z.int().optional(),
    })
    .optional(),
  /**
   * The plan that was on screen when the job was last changed. Of plans equally good the one nearest to it is taken: a
   * small edit moves little.
   */
  shown: z.array(AgreedTask).max(1000).optional(),
  pins: z.array(Pin).max(1000).optional(),
  /** Drives shared with other jobs: at most one to set up and one to the strike. */
  rounds: z.array(Round).max(2).optional(),
  /** Trips that are driven for this job alone, whatever could be joined. */
  drivesAlone: z
    .array(z.enum(['set-up', 'strike']))
    .max(2)
    .optional(),
  /** Who is not to do which task. */
  keptOff: z
    .array(z.strictObject({ task: TaskId, person: PersonId }))
    .max(200)
    .optional(),
  /** Tasks done in so many goes, one after the other, with other work between if need be. */
  splits: z
    .array(z.strictObject({ task: TaskId, parts: z.int().min(2).max(6) }))
    .max(100)
    .optional(),
  /** Tasks put one after another by hand; one that would wait for itself is passed over. */
  orders: z
    .array(z.strictObject({ first: TaskId, next: TaskId }))
    .max(200)
    .optional(),
  /** Steps left out of this job; only those that nothing stands or falls by. */
  leftOut: z.array(TaskId).max(200).optional(),
});
export type ClockChoices = z.infer<typeof ClockChoices>;

/** A time at which a person cannot be asked, whatever their shift. */
const BusyFields = z.strictObject({ from: Instant, until: Instant, label: Name });
export const Busy = withRule(BusyFields, BusyFields, ({ from, until }) =>
  Date.parse(from) < Date.parse(until) ? [] : [{ path: ['until'], reason: 'it ends before it begins' }],
);
export type Busy = z.infer<typeof Busy>;

/** After so many minutes at work, a rest of so many; local labour law decides. */
export const RestRule = z.strictObject({
  afterMin: z.int().min(30).max(720),
  restMin: z.int().min(5).max(120),
});
export type RestRule = z.infer<typeof RestRule>;

/** Built-in steps that a business may leave out, rename, or wait before. */
export const StepId = z.enum([
  'sign-in',
  'unload-first',
  'protect-floor',
  'photograph-before',
  'step-back',
  'touch-up',
  'look-again',
  'load-out',
  'look-over',
  'carry-out',
]);
export type StepId = z.infer<typeof StepId>;

/** When in the work a step of one's own comes. */
export const StepStage = z.enum(['bench', 'on-arrival', 'each-piece', 'before-sign-off', 'strike']);
export type StepStage = z.infer<typeof StepStage>;

/** A step of one kind of piece as this house does it; what is left out is as usual. */
export const PieceStep = z.strictObject({
  kind: Id,
  step: Id,
  isLeftOut: z.boolean().optional(),
  label: Name.optional(),
  /** Minutes to let pass before it. */
  waitMin: z.int().min(0).max(240).optional(),
  /** Hands it is done with, as far as the crew goes. */
  hands: z.int().min(1).max(6).optional(),
  /** Takes so much of its usual time, per cent. */
  timePct: z.int().min(10).max(500).optional(),
});
export type PieceStep = z.infer<typeof PieceStep>;

/** How this house works where it differs from the usual order. */
export const Methods = z.strictObject({
  changes: z
    .array(
      z.strictObject({
        step: StepId,
        isLeftOut: z.boolean().optional(),
        label: Name.optional(),
        /** Minutes to let pass before it. */
        waitMin: z.int().min(0).max(240).optional(),
      }),
    )
    .max(20),
  /** Steps of kinds of pieces. */
  pieces: z.array(PieceStep).max(400).optional(),
  own: z
    .array(
      z.strictObject({
        id: Id,
        label: Name,
        stage: StepStage,
        minutes: z.int().min(1).max(480),
        hands: z.int().min(1).max(6),
        /** What of it is too loud for quiet hours; left out, nothing. */
        noise: TooLoud.optional(),
      }),
    )
    .max(40),
});
export type Methods = z.infer<typeof Methods>;
