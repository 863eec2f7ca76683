/**
 * Lengths as people say them. Metres inside; feet and inches at the edge.
 * One inch is exactly 0.0254 m (international yard and pound agreement, 1959).
 */

export const METRES_PER_INCH = 0.0254;
export const INCHES_PER_FOOT = 12;
export const METRES_PER_FOOT = METRES_PER_INCH * INCHES_PER_FOOT;

export type LengthUnits = 'imperial' | 'metric';

/** A length that cannot be read. The message says what was typed and what would do. */
export class LengthFormatError extends Error {
  constructor(text: string) {
    super(`"${text}" is not a length. Type it like 12'6, 12 ft 6 in, 150", 3.8 m or 380 cm.`);
    this.name = 'LengthFormatError';
  }
}

const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const NUMBER = String.raw`(?:\d+(?:\.\d+)?|\.\d+)`;
const AMOUNT = String.raw`(?:${NUMBER}(?:\s*[- ]\s*\d+/\d+)?|\d+/\d+)`;
const FOOT = String.raw`(?:'|ft\.?|foot|feet)`;
const INCH = String.raw`(?:"|''|in\.?|inch|inches)`;
const FEET_AND_INCHES = new RegExp(`^(${AMOUNT})\\s*${FOOT}(?:\\s*(${AMOUNT})\\s*${INCH}?)?$`);
const INCHES_ONLY = new RegExp(`^(${AMOUNT})\\s*${INCH}$`);
const METRIC = new RegExp(`^(${NUMBER})\\s*(m|cm|mm|metres?|meters?)$`);
const BARE = new RegExp(`^(${AMOUNT})$`);

/** Straight primes, ascii fractions, decimal points, no blanks at the ends. */
function normalise(text: string): string {
  return (
    text
      .trim()
      .toLowerCase()
      .replace(/[’‘′]/g, "'")
      .replace(/[”“″]/g, '"')
      .replace(/(\d)?\s*([½¼¾⅛⅜⅝⅞])/g, (_, whole: string | undefined, sign: string) =>
        whole ? `${whole} ${FRACTIONS[sign]}` : `${FRACTIONS[sign]}`,
      )
      // 1,200 mm is one thousand two hundred; before three digits and another unit it could be either.
      .replace(/^(\d{1,3}),(\d{3})(?=\s*mm$)/, '$1$2')
      .replace(/(\d),(?!\d{3}(?!\d))(\d)/g, '$1.$2')
  );
}

/** "6", "6.5", "1/2" or "6 1/2" as a number. */
function amount(text: string): number {
  return text
    .split(/[\s-]+/)
    .map((part) => {
      const [top, bottom] = part.split('/');
      return bottom === undefined ? Number(top) : Number(top) / Number(bottom);
    })
    .reduce((sum, part) => sum + part, 0);
}

/**
 * Reads a length in metres. A bare number is feet (imperial) or metres (metric).
 * @throws LengthFormatError on anything else, a sign or a zero denominator included.
 */
export function parseLength(text: string, units: LengthUnits): number {
  const typed = normalise(text);
  const value = readMetres(typed, units);
  if (value === undefined || !Number.isFinite(value)) throw new LengthFormatError(text);
  return value;
}

function readMetres(typed: string, units: LengthUnits): number | undefined {
  const feet = FEET_AND_INCHES.exec(typed);
  if (feet?.[1]) {
    return (amount(feet[1]) * INCHES_PER_FOOT + (feet[2] ? amount(feet[2]) : 0)) * METRES_PER_INCH;
  }
  const inches = INCHES_ONLY.exec(typed);
  if (inches?.[1]) return amount(inches[1]) * METRES_PER_INCH;
  const metric = METRIC.exec(typed);
  if (metric?.[1]) {
    // Shifting the decimal point in the text keeps 540.6 cm at 5.406 m, which dividing does not.
    const exponent = metric[2] === 'cm' ? -2 : metric[2] === 'mm' ? -3 : 0;
    return Number(`${metric[1]}e${exponent}`);
  }
  const bare = BARE.exec(typed);
  if (!bare?.[1]) return undefined;
  return units === 'metric' ? amount(bare[1]) : amount(bare[1]) * INCHES_PER_FOOT * METRES_PER_INCH;
}

/** Eighths as they are written: 0 -> "", 4 -> "½". */
const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'];

/** "8¾", of so many eighths of an inch. */
export function inchesText(eighths: number): string {
  const whole = Math.floor(eighths / 8);
  const part = EIGHTHS[eighths % 8] ?? '';
  return whole === 0 && part ? part : `${whole}${part}`;
}

/**
 * Writes a length: to the eighth of an inch (`12 ft 6½ in`), or to the centimetre (`3.81 m`), the millimetre
 * where there is one.
 * @param lengthM metres, 0 or more
 */
export function formatLength(lengthM: number, units: LengthUnits): string {
  if (units === 'metric') {
    const mm = Math.round(lengthM * 1000);
    return `${(mm / 1000).toFixed(mm % 10 === 0 ? 2 : 3)} m`;
  }
  const eighths = Math.round((lengthM / METRES_PER_INCH) * 8);
  const feet = Math.floor(eighths / (8 * INCHES_PER_FOOT));
  const rest = eighths - feet * 8 * INCHES_PER_FOOT;
  if (feet === 0) return `${inchesText(rest)} in`;
  return rest === 0 ? `${feet} ft` : `${feet} ft ${inchesText(rest)} in`;
}

/**
 * Writes a width or a diameter: inches (`17½ in`), or centimetres (`44.5 cm`).
 * @param lengthM metres, 0 or more
 */
export function formatShort(lengthM: number, units: LengthUnits): string {
  if (units === 'metric') return `${(Math.round(lengthM * 1000) / 10).toString()} cm`;
  return `${inchesText(Math.round((lengthM / METRES_PER_INCH) * 8))} in`;
}

export const inchesToMetres = (inches: number): number => inches * METRES_PER_INCH;
export const metresToInches = (metres: number): number => metres / METRES_PER_INCH;
