import type { LengthUnits } from './length.ts';

/** A temperature in the unit these people speak. @param celsius °C */
export const inTheirDegrees = (celsius: number, units: LengthUnits): number =>
  units === 'metric' ? celsius : celsius * 1.8 + 32;

/** A temperature as people of these units say it: `91 °F` or `33 °C`. */
export const formatTemp = (celsius: number, units: LengthUnits): string =>
  `${inTheirDegrees(celsius, units).toFixed(0)} ${units === 'metric' ? '°C' : '°F'}`;
