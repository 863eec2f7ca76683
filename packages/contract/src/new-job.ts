import { z } from 'zod';
import { Id, Instant } from './scalars.ts';
import { Floor, Site, Spot, SpotKind, Surface } from './site.ts';

/** A name as it is asked for, trimmed. @param blank said where nothing is typed */
const name = (blank: string) => z.string().trim().min(1, blank).max(120, 'At most 120 characters.');

const DRIVE = 'Whole minutes, 0 to 720.';

/**
 * What is asked of a place before anything can be drawn there. Nothing is taken for granted: what has no usual answer is asked, and
 * what is left out nobody has looked at. Each fault says what to do, as the form shows it.
 */
export const NewPlace = z.strictObject({
  name: name('Give the place a name.'),
  indoors: z.boolean('Say whether it is indoors or outdoors.'),
  kind: z.enum(SpotKind.options, 'Say what kind of spot it is.'),
  widthM: Spot.shape.widthM,
  heightM: Spot.shape.heightM,
  surface: Surface.optional(),
  floor: Floor.optional(),
  /** What the venue forbids; left out, nobody has asked. */
  forbids: Site.shape.forbids,
  driveMin: z.int(DRIVE).min(0, DRIVE).max(720, DRIVE),
  /** Address, way in, who opens. */
  access: z.string().trim().max(2000, 'At most 2,000 characters.'),
});
export type NewPlace = z.infer<typeof NewPlace>;

/** The little that a job cannot do without. */
export const NewJob = z.strictObject({
  name: name('Give the job a name.'),
  /** Of a place that is known; null for one that is asked for next. */
  siteId: Id.nullable(),
  doors: Instant,
  crew: z.array(Id).min(1, 'Choose at least one person.'),
  /** Of a template to begin with; null for a blank job. */
  templateId: Id.nullable(),
});
export type NewJob = z.infer<typeof NewJob>;
