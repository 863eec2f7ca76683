import { z } from 'zod';

/** Identifier of a row or part: lower-case letters, digits and hyphens, unique among its siblings. */
export const Id = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'must be lower-case letters, digits and hyphens, 64 at most');

/** A name people read: 1 to 120 characters, not all blanks. */
export const Name = z.string().min(1).max(120).regex(/\S/, 'must not be blank');

/** Free text, up to 4000 characters. */
export const Text = z.string().max(4000);

/** A moment: ISO 8601 with a zone offset, for example `2027-06-19T17:30:00-05:00`. */
export const Instant = z.iso.datetime({
  offset: true,
  error: 'must be an ISO 8601 date-time with an offset, like 2027-06-19T17:30:00-05:00',
});

/** A time of day by the workshop's clock, `HH:MM`. */
export const TimeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'must be a time of day, HH:MM');

/** A length in metres, above zero; 200 m is beyond any piece of the trade. */
export const LengthM = z.number().positive().max(200);

/** Inches as balloons are sold and blown: 1 to 72. */
export const DiameterIn = z.number().min(1).max(72);

/** A share in per cent; the shares of one mix add up to 100. */
export const SharePct = z.number().min(0).max(100);

/** A colour as `#rrggbb`. */
export const Hex = z.string().regex(/^#[0-9a-f]{6}$/, 'must be a colour as #rrggbb, lower case');
