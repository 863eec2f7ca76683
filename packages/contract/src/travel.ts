import { z } from 'zod';

/** A point on the earth, degrees (WGS 84), in GeoJSON's order: longitude before latitude. */
export const GeoPoint = z.strictObject({
  lon: z.number().min(-180).max(180),
  lat: z.number().min(-85).max(85),
});
export type GeoPoint = z.infer<typeof GeoPoint>;

/** How long a drive takes at a moment. */
export const Drive = z.strictObject({
  minutes: z.int().min(0),
  km: z.number().min(0),
  /** Who says so: `simulated`, or the name of a service. */
  source: z.string(),
});
export type Drive = z.infer<typeof Drive>;
