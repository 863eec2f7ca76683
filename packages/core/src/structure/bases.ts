import type { BaseId } from '@early-lantern/contract';
import data from './bases.json';

/** A base or plate: its own mass, its footprint's width each way, and what can be stacked on it. */
export interface Base {
  id: BaseId;
  label: string;
  massKg: number;
  widthM: number;
  mostBallastKg: number;
  source: string;
}

/** Bases of the catalogue, the lightest work first. */
export const bases: readonly Base[] = data as Base[];

/** @throws RangeError if the catalogue has none of that name */
export function baseOf(id: BaseId): Base {
  const found = bases.find((base) => base.id === id);
  if (!found) throw new RangeError(`no base "${id}" in the catalogue`);
  return found;
}
