import { chainLength, type Station, stationsAt, type XY } from '../geometry/line.ts';
import { inchesToMetres } from '../quantity/length.ts';

/** Places at which an outline is measured lie so far apart, m. */
const STEP_M = inchesToMetres(1);

/** A disc as it is seen from the front, m. */
export interface Disc {
  x: number;
  y: number;
  r: number;
}

/** An outline at a place of the line: how far it reaches to its left and right hand, m; NaN where nothing is. */
interface Reach {
  at: Station;
  left: number;
  right: number;
}

/** Where the outline strays most from the line, and where it is narrowest. */
export interface LineLook {
  straightness: { offM: number; at: XY };
  evenness: { narrowPct: number; at: XY };
}

/**
 * A row of discs measured along the line that it was to follow: how far the middle of its outline strays, and its narrowest
 * place over what was asked, each on the mean of as long a stretch as it is wide, since single balloons stick out. The ends,
 * half a width long, are left out: they are round.
 * @param widthAt asked, m, at a share of the line
 * @returns undefined for a line shorter than twice its width
 */
export function lookAlong(
  chain: readonly XY[],
  discs: readonly Disc[],
  widthAt: (share: number) => number,
): LineLook | undefined {
  const longM = chainLength(chain);
  const windowM = widthAt(0);
  if (longM < 2 * windowM) return undefined;
  const reaches = reachesOf(chain, discs, longM);
  const half = Math.max(1, Math.round(windowM / 2 / STEP_M));
  const straightness = { offM: 0, at: chain[0] as XY };
  const evenness = { narrowPct: Infinity, at: chain[0] as XY };
  for (let i = half; i + half < reaches.length; i++) {
    const own = reaches.slice(i - half, i + half + 1).filter(({ left }) => !Number.isNaN(left));
    const { at } = reaches[i] as Reach;
    const mean = (figure: (one: Reach) => number) =>
      own.reduce((sum, one) => sum + figure(one), 0) / (2 * half + 1);
    const offM = own.length > 0 ? Math.abs(mean(({ left, right }) => (left - right) / 2)) : 0;
    if (offM > straightness.offM) Object.assign(straightness, { offM, at });
    const narrowPct = (100 * mean(({ left, right }) => left + right)) / widthAt(at.along / longM);
    if (narrowPct < evenness.narrowPct) Object.assign(evenness, { narrowPct, at });
  }
  return evenness.narrowPct === Infinity ? undefined : { straightness, evenness };
}

function reachesOf(chain: readonly XY[], discs: readonly Disc[], longM: number): Reach[] {
  const count = Math.max(2, Math.ceil(longM / STEP_M));
  const stations = stationsAt(
    chain,
    Array.from({ length: count }, (_, i) => ((i + 0.5) / count) * longM),
  );
  const reaches = stations.map((at): Reach => ({ at, left: Number.NaN, right: Number.NaN }));
  const step = longM / count;
  for (const { x, y, r } of discs) {
    // A disc belongs to the place it is nearest to: of a line that comes back on itself, to no other stretch.
    let nearest = 0;
    let least = Infinity;
    for (let i = 0; i < stations.length; i++) {
      const one = stations[i] as Station;
      const square = (one.x - x) ** 2 + (one.y - y) ** 2;
      if (square < least) [nearest, least] = [i, square];
    }
    const wide = Math.ceil(r / step);
    for (let i = Math.max(0, nearest - wide); i <= Math.min(count - 1, nearest + wide); i++) {
      const reach = reaches[i] as Reach;
      const { at } = reach;
      const along = (x - at.x) * at.tx + (y - at.y) * at.ty;
      if (Math.abs(along) >= r) continue;
      const across = (y - at.y) * at.tx - (x - at.x) * at.ty;
      const half = Math.sqrt(r * r - along * along);
      reach.left = Number.isNaN(reach.left) ? across + half : Math.max(reach.left, across + half);
      reach.right = Number.isNaN(reach.right) ? half - across : Math.max(reach.right, half - across);
    }
  }
  return reaches;
}
