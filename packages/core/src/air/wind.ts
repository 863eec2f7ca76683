import { MS_PER_MPH } from '../quantity/customary.ts';

/** Standard density of air at sea level, kg/m³. ICAO Doc 7488 / ISO 2533. */
export const AIR_KG_PER_M3 = 1.225;

/** Drag of knobbly bluff shapes, no unit. From memory, an editable default; a smooth sphere has 0.47. */
export const DRAG = 1.2;

/** Part of a dressed outline that is balloon and not gap, seen from the front. From memory, an editable default. */
export const SOLID = 0.85;

/** Dynamic pressure of wind, `½ ρ v²`, pascal. @param gustMs speed, m/s, not below 0 */
export function dynamicPressure(gustMs: number): number {
  if (!(gustMs >= 0)) throw new RangeError(`no wind blows at ${gustMs} m/s`);
  return 0.5 * AIR_KG_PER_M3 * gustMs ** 2;
}

/** The speed whose dynamic pressure this is, m/s. */
export const speedOf = (pressurePa: number): number => Math.sqrt((2 * pressurePa) / AIR_KG_PER_M3);

/** Lower limits of Beaufort 1 to 12, m/s. WMO No. 8. */
const BEAUFORT = [0.3, 1.6, 3.4, 5.5, 8.0, 10.8, 13.9, 17.2, 20.8, 24.5, 28.5, 32.7];

/** Beaufort number of a wind, 0 to 12. WMO No. 8. */
export const beaufort = (speedMs: number): number => BEAUFORT.filter((limit) => speedMs >= limit).length;

/** Gust over mean wind, by the openness of the place. From memory, an editable default. */
export const GUST_FACTOR = { sheltered: 1.5, open: 1.7 } as const;

/** Draught of a door flung open, m/s. From memory, an editable default. */
export const DOOR_GUST_MS = 3;

/** A wind as people of these units say it: `18 mph` or `8.0 m/s`. */
export const formatWind = (speedMs: number, units: 'imperial' | 'metric'): string =>
  units === 'metric' ? `${speedMs.toFixed(1)} m/s` : `${(speedMs / MS_PER_MPH).toFixed(0)} mph`;
