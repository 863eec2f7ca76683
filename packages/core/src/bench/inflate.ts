import type { RateKey, WorkshopSettings } from '@early-lantern/contract';
import { type Effort, effort } from './rates.ts';

/** Rate by nominal size, and how many balloons one unit of it covers. */
function inflateRate(nominalIn: number): { key: RateKey; balloons: number } {
  if (nominalIn >= 30) return { key: 'single-36', balloons: 1 };
  if (nominalIn >= 20) return { key: 'single-24', balloons: 1 };
  if (nominalIn >= 15) return { key: 'duplet-17', balloons: 2 };
  return { key: nominalIn >= 8 ? 'duplet-11' : 'duplet-5', balloons: 2 };
}

/** Units of work to blow so many balloons: duplets up to 19 in., singles above. */
export function inflateUnits(nominalIn: number, count: number): { key: RateKey; units: number } {
  const { key, balloons } = inflateRate(nominalIn);
  return { key, units: Math.ceil(count / balloons) };
}

/** Blowing and tying so many balloons of a size, one person. */
export function inflateEffort(nominalIn: number, count: number, settings: WorkshopSettings): Effort {
  const { key, units } = inflateUnits(nominalIn, count);
  return effort(key, units, settings);
}

export const inflateSeconds = (nominalIn: number, count: number, settings: WorkshopSettings): number =>
  inflateEffort(nominalIn, count, settings).seconds;
