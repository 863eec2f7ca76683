import type { OrganicGarland, Point } from '@early-lantern/contract';
import { chainLength, stationsAt } from '../geometry/line.ts';
import { cutsOf } from './cuts.ts';
import { garlandChain } from './organic-garland.ts';

/** A place where a garland is parted. */
export interface Cut extends Point {
  /** Of its length, from its thick end. */
  share: number;
  fromStartM: number;
}

/** Where a garland is parted, on the elevation. */
export function cutsOnLine(piece: OrganicGarland): Cut[] {
  const chain = garlandChain(piece);
  const lengthM = chainLength(chain);
  const shares = cutsOf(piece, lengthM);
  return stationsAt(
    chain,
    shares.map((share) => share * lengthM),
  ).map(({ x, y, along }, i) => ({ xM: x, yM: y, share: shares[i] as number, fromStartM: along }));
}

/** Places looked at along a garland. */
const STEPS = 400;
/** Nearer to an end nobody parts it. */
const LEAST = 0.02;

/** The place of a garland that lies nearest to a point of the elevation, as a share of its length. */
export function nearestShare(piece: OrganicGarland, { xM, yM }: Point): number {
  const chain = garlandChain(piece);
  const lengthM = chainLength(chain);
  const stations = stationsAt(
    chain,
    Array.from({ length: STEPS + 1 }, (_, i) => (i * lengthM) / STEPS),
  );
  const apart = stations.map(({ x, y }) => Math.hypot(x - xM, y - yM));
  const nearest = apart.indexOf(Math.min(...apart)) / STEPS;
  return Math.min(1 - LEAST, Math.max(LEAST, nearest));
}

/** The garland with one of its cuts at another share of its length: from then on all are as they are now. */
export function withCut(piece: OrganicGarland, index: number, share: number): OrganicGarland {
  const { sections: _, ...rest } = piece;
  const cuts = cutsOnLine(piece).map((one, i) => (i === index ? share : one.share));
  // A cut stays between its neighbours.
  const low = (cuts[index - 1] ?? 0) + LEAST;
  const high = (cuts[index + 1] ?? 1) - LEAST;
  return { ...rest, cuts: cuts.map((one, i) => (i === index ? Math.min(high, Math.max(low, one)) : one)) };
}
