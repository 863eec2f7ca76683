import { METRES_PER_FOOT } from '@early-lantern/core';

type Units = 'imperial' | 'metric';

/** Feet in a metre. */
const FEET = 1 / METRES_PER_FOOT;

const isInFeet = (unit: string, units: Units) => unit === 'm' && units === 'imperial';

/** The unit that an amount is shown and typed in: lengths in that of the shop. */
export const shownUnit = (unit: string, units: Units): string => (isInFeet(unit, units) ? 'ft' : unit);

/** An amount as it is shown. */
export const toShown = (count: number, unit: string, units: Units): number =>
  isInFeet(unit, units) ? Number((count * FEET).toFixed(1)) : Number(count.toFixed(2));

/** An amount as it is kept, from one that was typed. */
export const fromShown = (typed: number, unit: string, units: Units): number =>
  isInFeet(unit, units) ? Number((typed / FEET).toFixed(4)) : typed;

/** `1 base`, `12 dashes`, `2.5 m`; in a shop that works in feet `9 ft`, a started one counting whole. */
export function amountText(count: number, unit: string, units: Units): string {
  if (isInFeet(unit, units)) return `${Math.ceil(count * FEET - 0.01)} ft`;
  const value = Number(count.toFixed(2));
  const one = unit.endsWith('shes') ? unit.slice(0, -2) : unit.replace(/s$/, '');
  return `${value} ${value === 1 ? one : unit}`;
}
