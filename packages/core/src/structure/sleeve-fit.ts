import type { PipeId } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';
import data from './sockets.json';

/** Sockets of couplings, tees and elbows by nominal size and standard: what a pipe is pushed into. */
export const sockets: readonly { id: string; label: string; idM: number; source: string }[] = data.map(
  ({ socketIn, ...row }) => ({ ...row, idM: inchesToMetres(socketIn) }),
);

/** What a coupling, tee or elbow for a pipe takes. @throws RangeError if the catalogue has none */
export function socketOf(pipe: PipeId): { label: string; idM: number } {
  const found = sockets.find(({ id }) => id === pipe);
  if (!found) throw new RangeError(`no fittings for pipe "${pipe}" in the catalogue`);
  return found;
}

/** How a rod sits in a sleeve, or a table in a clamp. */
export interface Fit {
  /** Between rod and sleeve on each side, or left in the jaw; mm, below zero where it does not go. */
  clearanceMm: number;
  verdict: 'does not go' | 'slides' | 'loose: tape or shim' | 'no joint';
}

/** Looser than this wants tape or a shim; looser than that is no joint. Millimetres on each side. */
const SLIDING_MM = 1;
const LOOSE_MM = 4;

/**
 * A sleeve over a rod: `(sleeve ID − rod OD) / 2`. Never trust the names: compute it.
 * @param sleeveIdM inner diameter of the sleeve, m
 * @param rodOdM outer diameter of the rod, m
 */
export function sleeveFit(sleeveIdM: number, rodOdM: number): Fit {
  const clearanceMm = ((sleeveIdM - rodOdM) / 2) * 1000;
  if (clearanceMm < 0) return { clearanceMm, verdict: 'does not go' };
  if (clearanceMm <= SLIDING_MM) return { clearanceMm, verdict: 'slides' };
  if (clearanceMm <= LOOSE_MM) return { clearanceMm, verdict: 'loose: tape or shim' };
  return { clearanceMm, verdict: 'no joint' };
}

/** A clamp over a table top with its cloth: what is left of the jaw. All in metres. */
export function jawFit(jawM: number, tableM: number, clothM = 0): Fit {
  const clearanceMm = (jawM - tableM - 2 * clothM) * 1000;
  return { clearanceMm, verdict: clearanceMm < 0 ? 'does not go' : 'slides' };
}
