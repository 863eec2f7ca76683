/** Pressure at sea level, Pa. ICAO Doc 7488 / ISO 2533. */
const SEA_LEVEL_PA = 101_325;
/** Temperature there, K, and how it falls with height, K/m, as far as 11 km. */
const SEA_LEVEL_K = 288.15;
const LAPSE_K_PER_M = 0.0065;
/** g M / (R L), no unit. */
const EXPONENT = 5.255_88;

/**
 * Pressure of the standard atmosphere, Pa: `p₀ (1 − L h / T₀)^5.25588`. ICAO Doc 7488 / ISO 2533.
 * @param altitudeM above the sea, −400 to 11 000 m
 * @throws RangeError outside of that
 */
export function pressureAt(altitudeM: number): number {
  if (!(altitudeM >= -400 && altitudeM <= 11_000)) throw new RangeError(`no figure for ${altitudeM} m`);
  return SEA_LEVEL_PA * (1 - (LAPSE_K_PER_M * altitudeM) / SEA_LEVEL_K) ** EXPONENT;
}
