import { chainLength, stationsAt, type XY } from '../geometry/line.ts';
import type { Area } from '../piece/part.ts';
import { inchesToMetres } from '../quantity/length.ts';
import type { Disc } from './along-line.ts';

/** Edges are gone along in steps of this. */
const STEP_M = inchesToMetres(0.5);
/** A line runs along an edge where it is no further from it than this share of its width, and within 45° of its direction. */
const NEAR = 0.5;
const ALONG = Math.SQRT1_2;

/** A stretch of an edge that nothing covers: its middle and its length, m. */
interface OpenEdge extends XY {
  lengthM: number;
}

/**
 * Where a garland that runs along the edge of a panel or board leaves it open, seen from the front: at least so long, the
 * longest first.
 * @param widthAt how wide it is to be, m, by the share of its line
 */
export function openEdges(
  chain: readonly XY[],
  widthAt: (share: number) => number,
  areas: readonly Area[],
  discs: readonly Disc[],
  leastM: number,
): OpenEdge[] {
  const lengthM = chainLength(chain);
  const count = Math.max(2, Math.ceil(lengthM / STEP_M));
  const stations = stationsAt(
    chain,
    Array.from({ length: count + 1 }, (_, i) => (i * lengthM) / count),
  );
  const isBeside = ({ x, y }: XY, dx: number, dy: number) => {
    const far = (one: XY) => Math.hypot(one.x - x, one.y - y);
    const nearest = stations.reduce((best, one) => (far(one) < far(best) ? one : best));
    const widthM = widthAt(nearest.along / lengthM);
    // Its ends, half a width long, are round.
    if (Math.min(nearest.along, lengthM - nearest.along) < widthM / 2) return false;
    return far(nearest) <= NEAR * widthM && Math.abs(nearest.tx * dx + nearest.ty * dy) > ALONG;
  };
  const isCovered = ({ x, y }: XY) => discs.some((disc) => Math.hypot(disc.x - x, disc.y - y) < disc.r);
  return areas
    .flatMap(edgesOf)
    .flatMap(([from, to]) => {
      const long = Math.hypot(to.x - from.x, to.y - from.y);
      const [dx, dy] = [(to.x - from.x) / long, (to.y - from.y) / long];
      const open: OpenEdge[] = [];
      let start: number | undefined;
      const end = (at: number) => {
        if (start !== undefined && at - start >= leastM) {
          const middle = (start + at) / 2;
          open.push({ x: from.x + middle * dx, y: from.y + middle * dy, lengthM: at - start });
        }
        start = undefined;
      };
      for (let at = STEP_M / 2; at < long; at += STEP_M) {
        const place = { x: from.x + at * dx, y: from.y + at * dy };
        if (isBeside(place, dx, dy) && !isCovered(place)) start ??= at - STEP_M / 2;
        else end(at - STEP_M / 2);
      }
      end(long);
      return open;
    })
    .sort((one, other) => other.lengthM - one.lengthM);
}

/** The sides and the top of a board; its lower edge stands on the floor or is nobody's. */
function edgesOf({ xM, yM, widthM, heightM }: Area): [XY, XY][] {
  const [right, top] = [xM + widthM, yM + heightM];
  return [
    [
      { x: xM, y: yM },
      { x: xM, y: top },
    ],
    [
      { x: right, y: yM },
      { x: right, y: top },
    ],
    [
      { x: xM, y: top },
      { x: right, y: top },
    ],
  ];
}
