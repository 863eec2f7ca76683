import type { PieceOf, Spot } from '@early-lantern/contract';
import { chainLength, smoothLine, stationsAt } from '../geometry/line.ts';
import { GRAVITY } from '../quantity/force.ts';
import type { PointLoad } from '../structure/beam.ts';

/** A garland's line as fixing asks about it: positions in metres from its first point. */
export interface GarlandLine {
  lengthM: number;
  /** Where on the elevation, and how steep there: sine of the slope, 0 level to 1 upright. */
  at: (along: number) => { xM: number; yM: number; steep: number };
  widthAt: (along: number) => number;
  /** Hangs over heads, or runs level so high that one looks up at it. */
  isOverhead: (along: number) => boolean;
  isUpright: (along: number) => boolean;
  /** Length from the first point that rests on the floor. */
  restsM: number;
}

/** Steeper than 55° is upright, flatter than 35° level. */
const UPRIGHT = Math.sin((55 * Math.PI) / 180);
const LEVEL = Math.sin((35 * Math.PI) / 180);
/** Above this a level garland hangs over heads, m. */
const OVERHEAD_M = 2;
/** Step at which positions are asked, m. */
const LUMP_M = 0.1;

export function garlandLine(piece: PieceOf<'organic-garland'>, spot: Spot): GarlandLine {
  const chain = smoothLine(piece.line.map(({ xM, yM }) => ({ x: xM, y: yM })));
  const lengthM = chainLength(chain);
  const stations = stationsAt(chain, steps(lengthM));
  const at = (along: number) => {
    const position = (Math.min(lengthM, Math.max(0, along)) / lengthM) * (stations.length - 1);
    const low = Math.min(stations.length - 2, Math.floor(position));
    const [a, b] = [stations[low], stations[low + 1]];
    if (!a || !b) return { xM: a?.x ?? 0, yM: a?.y ?? 0, steep: 0 };
    const t = position - low;
    return {
      xM: a.x + (b.x - a.x) * t,
      yM: a.y + (b.y - a.y) * t,
      steep: Math.abs(b.y - a.y) / (Math.hypot(b.x - a.x, b.y - a.y) || 1),
    };
  };
  const widthAt = (along: number) => piece.widthM * (1 - (1 - piece.taper) * (along / lengthM));
  let restsM = 0;
  while (restsM < lengthM && at(restsM).yM <= widthAt(restsM) / 2 + 0.02) restsM += LUMP_M / 2;
  return {
    lengthM,
    at,
    widthAt,
    restsM: Math.min(restsM, lengthM),
    isUpright: (along) => at(along).steep > UPRIGHT,
    isOverhead: (along) =>
      spot.kind === 'ceiling-run' || (at(along).steep < LEVEL && at(along).yM > OVERHEAD_M),
  };
}

function steps(lengthM: number): number[] {
  const count = Math.max(2, Math.ceil(lengthM / (LUMP_M / 2)));
  return Array.from({ length: count + 1 }, (_, i) => (i * lengthM) / count);
}

/** Something that pulls on a garland at a share of its length: an attachment, a piece tied into it. */
export interface LoadOnLine {
  at: number;
  massKg: number;
}

/** The garland's weight along its line, N: what is thick is heavy (as the width squared); loads where they are. */
export function garlandLoads(
  line: GarlandLine,
  dressingKg: number,
  loads: readonly LoadOnLine[],
): PointLoad[] {
  const count = Math.max(1, Math.round(line.lengthM / LUMP_M));
  const middles = Array.from({ length: count }, (_, i) => ((i + 0.5) * line.lengthM) / count);
  const shares = middles.map((along) => line.widthAt(along) ** 2);
  const whole = shares.reduce((sum, share) => sum + share, 0);
  return [
    ...middles.map((atM, i) => ({
      atM,
      loadN: (dressingKg * GRAVITY * (shares[i] as number)) / whole,
    })),
    ...loads.map(({ at, massKg }) => ({ atM: at * line.lengthM, loadN: massKg * GRAVITY })),
  ].sort((a, b) => a.atM - b.atM);
}

/** How far along a garland's line, 0 to 1, the place nearest to a point of the elevation lies. */
export function nearestAlong(
  piece: PieceOf<'organic-garland'>,
  spot: Spot,
  to: { xM: number; yM: number },
): number {
  const line = garlandLine(piece, spot);
  const count = Math.max(2, Math.ceil(line.lengthM / 0.01));
  let best = 0;
  let nearest = Infinity;
  for (let i = 0; i <= count; i++) {
    const { xM, yM } = line.at((i / count) * line.lengthM);
    const away = Math.hypot(xM - to.xM, yM - to.yM);
    if (away < nearest) [best, nearest] = [i / count, away];
  }
  return best;
}
