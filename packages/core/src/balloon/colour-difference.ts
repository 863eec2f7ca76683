import type { Colour, Lab } from '@early-lantern/contract';
import { converter, differenceCiede2000 } from 'culori';

const toLab = converter('lab65');
const ciede2000 = differenceCiede2000();

/** L*a*b* of an sRGB shade, white point D65. IEC 61966-2-1 and CIE 15. */
export function labOfHex(hex: string): Lab {
  const found = toLab(hex);
  if (!found) throw new RangeError(`"${hex}" is no shade`);
  return { l: found.l, a: found.a, b: found.b };
}

/** A colour's measured L*a*b*, else that of its shade on the screen. */
export const labOf = (colour: Colour): Lab => colour.lab ?? labOfHex(colour.hex);

/**
 * CIEDE2000 colour difference, parametric factors 1. Under 1 hardly seen, under 3 close, above 10 another colour.
 * Source: CIE 142.
 */
export const colourDifference = (one: Lab, two: Lab): number =>
  ciede2000({ mode: 'lab65', ...one }, { mode: 'lab65', ...two });

/** Other colours by how close they come to one, the closest first. */
export function closestColours(
  wanted: Colour,
  colours: readonly Colour[],
): { colour: Colour; difference: number }[] {
  return colours
    .filter((colour) => colour.id !== wanted.id)
    .map((colour) => ({ colour, difference: colourDifference(labOf(wanted), labOf(colour)) }))
    .sort((a, b) => a.difference - b.difference);
}
