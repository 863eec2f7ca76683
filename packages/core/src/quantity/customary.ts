import { type LengthUnits, METRES_PER_FOOT, METRES_PER_INCH } from './length.ts';

/** Kilograms, newtons of a pound. Exact by definition: NIST SP 811, appendix B.8. */
export const KG_PER_POUND = 0.453_592_37;
export const NEWTONS_PER_POUND = KG_PER_POUND * 9.806_65;
/** m/s of a mile an hour, from the same table. */
export const MS_PER_MPH = 0.447_04;

/** Litres a second of a cubic foot a minute. */
export const LPS_PER_CFM = (METRES_PER_FOOT ** 3 * 1000) / 60;

const SQUARE_FOOT = METRES_PER_FOOT ** 2;
const CUBIC_FOOT = METRES_PER_FOOT ** 3;

/** Units of a shop that works in feet and pounds, and how much of the SI unit each is. Grams stay: foil weights are sold so. */
const customary: Readonly<Record<string, readonly [unit: string, size: number]>> = {
  m: ['ft', METRES_PER_FOOT],
  mm: ['in', METRES_PER_INCH * 1000],
  'm²': ['sq ft', SQUARE_FOOT],
  'm³': ['cu ft', CUBIC_FOOT],
  l: ['cu ft', CUBIC_FOOT * 1000],
  'l/s': ['cu ft/min', LPS_PER_CFM],
  kg: ['lb', KG_PER_POUND],
  N: ['lb', NEWTONS_PER_POUND],
  N·m: ['lb·ft', NEWTONS_PER_POUND * METRES_PER_FOOT],
  'N·m²': ['lb·sq ft', NEWTONS_PER_POUND * SQUARE_FOOT],
  'N/m': ['lb/ft', NEWTONS_PER_POUND / METRES_PER_FOOT],
  Pa: ['lb/sq ft', NEWTONS_PER_POUND / SQUARE_FOOT],
  'N·m/Pa': ['lb·ft per lb/sq ft', CUBIC_FOOT],
  'm/s': ['mph', MS_PER_MPH],
};

/** A figure in the unit that these people speak; one without another unit stays as it is. */
export function inTheirUnits(
  value: number,
  unit: string,
  units: LengthUnits,
): { value: number; unit: string } {
  if (units === 'metric') return { value, unit };
  if (unit === '°C') return { value: value * 1.8 + 32, unit: '°F' };
  const [theirs, size] = customary[unit] ?? [unit, 1];
  return { value: value / size, unit: theirs };
}

/** A mass as these people say it: `22 lb` or `10 kg`. */
export const formatMass = (kg: number, units: LengthUnits): string => said(kg, 'kg', units);

/** A force as these people say it: `2.2 lb` or `9.8 N`. */
export const formatForce = (newtons: number, units: LengthUnits): string => said(newtons, 'N', units);

/** A diameter of pipe or pole, which is told to the tenth of a millimetre or the hundredth of an inch. */
export function formatBore(metres: number, units: LengthUnits): string {
  const { value, unit } = inTheirUnits(metres * 1000, 'mm', units);
  return unit === 'mm' ? `${value.toFixed(1)} mm` : `${value.toFixed(2)} in.`;
}

/** Two figures that matter, no more. */
function said(si: number, siUnit: string, units: LengthUnits): string {
  const { value, unit } = inTheirUnits(si, siUnit, units);
  return `${value >= 10 ? value.toFixed(0) : value.toFixed(1)} ${unit}`;
}
