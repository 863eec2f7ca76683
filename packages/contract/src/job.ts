import { z } from 'zod';
import { Car } from './car.ts';
import { Carried, carrierBreaches } from './carriers.ts';
import { ClockChoices } from './clock.ts';
import { Platform } from './hold.ts';
import { LadderId, PersonId, PieceId, SpotId } from './ids.ts';
import { Piece } from './piece/index.ts';
import { repeated, withRule } from './rules.ts';
import { Id, Instant, Name, Text } from './scalars.ts';
import { Site } from './site.ts';
import { Forecast } from './weather.ts';

const Window = z.strictObject({ from: Instant, until: Instant });

/** Something picked up or handed over on the way to the site, or to the strike. */
const Stop = z.strictObject({
  id: Id,
  label: Name,
  trip: z.enum(['set-up', 'strike']),
  driveMin: z.int().min(0).max(240),
  minutes: z.int().min(0).max(240),
});
export type Stop = z.infer<typeof Stop>;

/** The crew is brought by somebody who drives off once everything is unloaded, and comes back to fetch them. */
const DropOff = z.strictObject({
  trip: z.enum(['set-up', 'strike']),
  /** Who drives off; of the crew or not. */
  driver: PersonId,
  /** Vehicles that stay and bring the crew home, by id: then the driver does not come back. */
  keeps: z.array(Id).min(1).max(20).optional(),
});
export type DropOff = z.infer<typeof DropOff>;

/** How far a job has come: asked about, offered, agreed, over, or called off. */
export const JobState = z.enum(['enquiry', 'offered', 'firm', 'done', 'cancelled']);
export type JobState = z.infer<typeof JobState>;

const HeadFields = z.strictObject({
  id: Id,
  name: Name,
  /** Left out, firm. */
  state: JobState.optional(),
  /** What the occasion is, in the client's words. */
  event: Text,
  siteId: Id,
  /** The moment guests may arrive; everything counts back from it. */
  doors: Instant,
  /** When the crew may be on site to set up. */
  access: Window,
  /** When the pieces come down. */
  strike: Window,
  /** Crew members on this job, by id. */
  crew: z.array(PersonId).min(1, 'a job needs at least one person'),
  /** Who takes it down, where that is not the crew that put it up. */
  strikeCrew: z.array(PersonId).min(1, 'a strike needs at least one person').optional(),
  /** Hours that somebody works for this job, besides their usual ones. */
  hours: z
    .array(z.strictObject({ person: PersonId, from: Instant, until: Instant }))
    .max(60)
    .optional(),
  /** When the crew comes: left out, as the house opens; `late`, as late as the work allows; or at a time. */
  arrival: z.union([z.literal('late'), Instant]).optional(),
  /** Prepared and loaded the evening before. */
  loadsEvening: z.boolean().optional(),
  /** The client keeps it: nothing is taken down. */
  isKept: z.boolean().optional(),
  /** Minutes wanted between sign-off and doors, where they are not those of the house. */
  inHandMin: z.int().min(0).max(600).optional(),
  /** Drives as long as they are at that hour, one way, minutes, where they are not as surveyed. */
  drives: z
    .strictObject({
      out: z.int().min(0).max(720).optional(),
      home: z.int().min(0).max(720).optional(),
      strike: z.int().min(0).max(720).optional(),
      back: z.int().min(0).max(720).optional(),
    })
    .optional(),
  /** Stops on the way out: what they add to the drive, and how long they take. */
  stops: z.array(Stop).max(12).optional(),
  /** Pieces that the van comes back for. */
  secondLoad: z.array(PieceId).max(60).optional(),
  /** Where a longer search found a better load, it is searched for from there; left out, from 1. */
  loadSeed: z.int().min(1).max(1_000_000).optional(),
  /** Cars besides the workshop's vehicles: somebody's own, or hired for this job. */
  cars: z.array(Car).max(6).optional(),
  /** The workshop's vehicles that go out for it, by id; left out, as many as seat the crew, whichever are free. */
  vehicles: z.array(Id).min(1).max(20).optional(),
  /** Vehicles that pull their trailer on this job, by id. */
  trailers: z.array(Id).max(20).optional(),
  /** Trips on which the crew is dropped off. */
  dropOffs: z.array(DropOff).max(2).optional(),
  /** Spots that a canopy keeps out of the sun, by id. */
  shaded: z.array(SpotId).max(40).optional(),
  /** Ladders of the workshop of which one more like it is hired for this job, by id. */
  hiredLadders: z.array(LadderId).max(20).optional(),
  /** Towers and lifts hired for this job. */
  platforms: z.array(Platform).max(6).optional(),
  /** Pins and what was agreed for the day. */
  clock: ClockChoices.optional(),
  notes: Text,
  /** Strongest gust expected while the pieces stand, m/s, from the forecast looked at. */
  gustMs: z.number().min(0).max(60).optional(),
  /** The forecast looked at. */
  weather: Forecast.optional(),
  /** Who has read which caution. */
  acknowledged: z
    .array(z.strictObject({ code: Id, by: Id, at: Instant }))
    .max(200)
    .optional(),
  /** The survey as it was when somebody last looked at it for this job. */
  siteSeen: Site.optional(),
});

const timesRead = HeadFields.pick({ doors: true, access: true, strike: true });

/** Nobody builds, leaves standing or takes down longer than this: a typed year gone wrong is said, not planned. */
const MOST_SET_UP_DAYS = 30;
const MOST_STANDING_DAYS = 92;
const MOST_STRIKE_DAYS = 14;

const within = (from: string, until: string, days: number) =>
  Date.parse(until) - Date.parse(from) <= days * 24 * 3_600_000;

function timeBreaches({ doors, access, strike }: z.infer<typeof timesRead>) {
  const before = (a: string, b: string) => Date.parse(a) < Date.parse(b);
  return [
    ...(before(access.from, doors)
      ? []
      : [{ path: ['doors'], reason: 'doors are not after the start of access' }]),
    ...(before(access.from, access.until)
      ? []
      : [{ path: ['access', 'until'], reason: 'access ends before it begins' }]),
    ...(before(doors, strike.from)
      ? []
      : [{ path: ['strike', 'from'], reason: 'strike begins before doors' }]),
    ...(before(strike.from, strike.until)
      ? []
      : [{ path: ['strike', 'until'], reason: 'strike ends before it begins' }]),
    ...(within(access.from, doors, MOST_SET_UP_DAYS)
      ? []
      : [
          {
            path: ['access', 'from'],
            reason: `access opens more than ${MOST_SET_UP_DAYS} days before doors`,
          },
        ]),
    ...(within(doors, strike.from, MOST_STANDING_DAYS)
      ? []
      : [
          {
            path: ['strike', 'from'],
            reason: `strike begins more than ${MOST_STANDING_DAYS} days after doors`,
          },
        ]),
    ...(within(strike.from, strike.until, MOST_STRIKE_DAYS)
      ? []
      : [{ path: ['strike', 'until'], reason: `strike lasts longer than ${MOST_STRIKE_DAYS} days` }]),
  ];
}

/** The planner tells people apart by so many bits. */
const MOST_PEOPLE = 31;

const crewRead = HeadFields.pick({ crew: true, strikeCrew: true });
const crewBreaches = ({ crew, strikeCrew = [] }: z.infer<typeof crewRead>) => [
  ...repeated(crew, 'crew'),
  ...repeated(strikeCrew, 'strikeCrew'),
  ...(new Set([...crew, ...strikeCrew]).size > MOST_PEOPLE
    ? [{ path: ['crew'], reason: `${MOST_PEOPLE} people at most work on one job` }]
    : []),
];

/** A job without its pieces: what the job row in the database holds. */
export const JobHead = withRule(withRule(HeadFields, timesRead, timeBreaches), crewRead, crewBreaches);
export type JobHead = z.infer<typeof JobHead>;

const JobFields = HeadFields.extend({ pieces: z.array(Piece).max(60) });

const soundHead = withRule(withRule(JobFields, timesRead, timeBreaches), crewRead, crewBreaches);

/** One installation: an occasion at a site, with its pieces and people. */
export const Job = withRule(
  withRule(soundHead, z.object({ pieces: z.array(Carried) }), ({ pieces }) => carrierBreaches(pieces)),
  z.object({ pieces: z.array(z.object({ id: Id })) }),
  ({ pieces }) =>
    repeated(
      pieces.map((piece) => piece.id),
      'pieces',
      'id',
    ),
);
export type Job = z.infer<typeof Job>;
