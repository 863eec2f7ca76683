import type { Colour, Lab } from '@early-lantern/contract';

/** White point D65, 2° observer. CIE 15. */
const WHITE = [0.95047, 1, 1.08883] as const;

/** L*a*b* of an sRGB shade. IEC 61966-2-1 for the transfer and matrix, CIE 15 for L*a*b*. */
export function labOfHex(hex: string): Lab {
  const channel = (at: number) => {
    const value = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  };
  const [r, g, b] = [channel(1), channel(3), channel(5)];
  const xyz = [
    0.4124564 * r + 0.3575761 * g + 0.1804375 * b,
    0.2126729 * r + 0.7151522 * g + 0.072175 * b,
    0.0193339 * r + 0.119192 * g + 0.9503041 * b,
  ];
  const f = (t: number) => (t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29);
  const [fx, fy, fz] = xyz.map((value, i) => f(value / (WHITE[i] as number))) as [number, number, number];
  return { l: 116 * fy - 16, a: 500 * (fx - fy), b: 200 * (fy - fz) };
}

/** A colour's measured L*a*b*, else that of its shade on the screen. */
export const labOf = (colour: Colour): Lab => colour.lab ?? labOfHex(colour.hex);

const rad = (degrees: number) => (degrees * Math.PI) / 180;
const hue = (b: number, a: number) => {
  if (a === 0 && b === 0) return 0;
  const degrees = (Math.atan2(b, a) * 180) / Math.PI;
  return degrees < 0 ? degrees + 360 : degrees;
};

/**
 * CIEDE2000 colour difference, parametric factors 1. Under 1 hardly seen, under 3 close, above 10 another colour.
 * Source: CIE 142; the formula as set out by Sharma, Wu and Dalal, Color Research and Application 30 (2005).
 */
export function colourDifference(one: Lab, two: Lab): number {
  const c1 = Math.hypot(one.a, one.b);
  const c2 = Math.hypot(two.a, two.b);
  const mean7 = ((c1 + c2) / 2) ** 7;
  const g = 0.5 * (1 - Math.sqrt(mean7 / (mean7 + 25 ** 7)));
  const a1 = (1 + g) * one.a;
  const a2 = (1 + g) * two.a;
  const chroma1 = Math.hypot(a1, one.b);
  const chroma2 = Math.hypot(a2, two.b);
  const h1 = hue(one.b, a1);
  const h2 = hue(two.b, a2);
  const isGrey = chroma1 * chroma2 === 0;

  const dL = two.l - one.l;
  const dC = chroma2 - chroma1;
  let dh = isGrey ? 0 : h2 - h1;
  if (dh > 180) dh -= 360;
  if (dh < -180) dh += 360;
  const dH = 2 * Math.sqrt(chroma1 * chroma2) * Math.sin(rad(dh) / 2);

  const meanL = (one.l + two.l) / 2;
  const meanC = (chroma1 + chroma2) / 2;
  let meanH = h1 + h2;
  if (!isGrey) {
    if (Math.abs(h1 - h2) <= 180) meanH /= 2;
    else meanH = meanH < 360 ? (meanH + 360) / 2 : (meanH - 360) / 2;
  }
  const t =
    1 -
    0.17 * Math.cos(rad(meanH - 30)) +
    0.24 * Math.cos(rad(2 * meanH)) +
    0.32 * Math.cos(rad(3 * meanH + 6)) -
    0.2 * Math.cos(rad(4 * meanH - 63));
  const rotation = 30 * Math.exp(-(((meanH - 275) / 25) ** 2));
  const mean7C = meanC ** 7;
  const rc = 2 * Math.sqrt(mean7C / (mean7C + 25 ** 7));
  const sl = 1 + (0.015 * (meanL - 50) ** 2) / Math.sqrt(20 + (meanL - 50) ** 2);
  const sc = 1 + 0.045 * meanC;
  const sh = 1 + 0.015 * meanC * t;
  const rt = -Math.sin(rad(2 * rotation)) * rc;
  return Math.sqrt((dL / sl) ** 2 + (dC / sc) ** 2 + (dH / sh) ** 2 + rt * (dC / sc) * (dH / sh));
}

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
