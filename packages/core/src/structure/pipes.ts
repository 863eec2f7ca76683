import type { PipeId } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';
import data from './pipes.json';

/** A pipe by its true diameters, not by its name. */
export interface Pipe {
  id: PipeId;
  label: string;
  odM: number;
  idM: number;
  stockM: number;
  /** Young's modulus, pascal. */
  youngPa: number;
  /** Mass of a metre, kg. */
  kgPerM: number;
  /** Second moment of area, m⁴. */
  inertiaM4: number;
  /** Strain from which it is warned of, and refused: it creeps or kinks; steel stays bent. No unit. */
  warnStrain: number;
  refuseStrain: number;
  source: string;
}

/** Pipes of the catalogue. */
export const pipes: readonly Pipe[] = data.map((row) => {
  const [odM, idM] = [inchesToMetres(row.odIn), inchesToMetres(row.idIn)];
  return {
    id: row.id as PipeId,
    label: row.label,
    odM,
    idM,
    stockM: row.stockM,
    youngPa: row.youngGPa * 1e9,
    kgPerM: (Math.PI / 4) * (odM ** 2 - idM ** 2) * row.densityKgM3,
    inertiaM4: (Math.PI / 64) * (odM ** 4 - idM ** 4),
    warnStrain: row.warnStrainPct / 100,
    refuseStrain: row.refuseStrainPct / 100,
    source: row.source,
  };
});

/** The pipe of that name. @throws RangeError if the catalogue has none */
export function pipeOf(id: PipeId): Pipe {
  const found = pipes.find((pipe) => pipe.id === id);
  if (!found) throw new RangeError(`no pipe "${id}" in the catalogue`);
  return found;
}
