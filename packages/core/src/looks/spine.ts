import { across, cellAt, type Seen, towards } from './seen.ts';

/** What balloons are strung or clipped on, as a chain of places in the room and a radius, m. */
export interface Spine {
  points: readonly { x: number; y: number; z: number }[];
  rM: number;
}

/** How much of what balloons hang on is in sight. */
export interface SpineSeen {
  /** Of its face, per cent. */
  pct: number;
  /** The longest stretch that is bare in the middle, m, and where its own middle is on the picture. */
  longestM: number;
  at: { uM: number; vM: number };
}

/**
 * Spines as they are seen: cell by cell along and across, bare where no balloon stands before them.
 * @param isPassed places of the picture at which a bare stretch is not told any more
 */
export function spineSeen(
  seen: Seen,
  spines: readonly Spine[],
  isPassed: (uM: number, vM: number) => boolean = () => false,
): SpineSeen {
  const { turn, cellM, depth } = seen;
  let [all, bare, longestM] = [0, 0, 0];
  let at = { uM: 0, vM: 0 };
  for (const { points, rM } of spines) {
    let runM = 0;
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [points[i - 1], points[i]] as [Spine['points'][number], Spine['points'][number]];
      const [ua, ub] = [across(turn, a.x, a.z), across(turn, b.x, b.z)];
      const [wa, wb] = [towards(turn, a.x, a.z), towards(turn, b.x, b.z)];
      const [du, dv] = [ub - ua, b.y - a.y];
      const long = Math.hypot(du, dv);
      const steps = Math.max(1, Math.ceil(long / cellM));
      const sides = Math.max(1, Math.round((2 * rM) / cellM));
      for (let s = 0; s < steps; s++) {
        const share = (s + 0.5) / steps;
        const w = wa + (wb - wa) * share;
        const isBare = (off: number) => {
          const cell = cellAt(seen, ua + du * share - dv * off, a.y + dv * share + du * off);
          return cell < 0 || (depth[cell] as number) < w;
        };
        for (let k = 0; k < sides; k++) {
          all++;
          if (isBare(long > 0 ? (((k + 0.5) / sides) * 2 - 1) * (rM / long) : 0)) bare++;
        }
        const [u, v] = [ua + du * share, a.y + dv * share];
        runM = isBare(0) && !isPassed(u, v) ? runM + long / steps : 0;
        if (runM > longestM) {
          longestM = runM;
          const back = long > 0 ? runM / 2 / long : 0;
          at = { uM: u - du * back, vM: v - dv * back };
        }
      }
    }
  }
  return { pct: all > 0 ? (100 * bare) / all : 0, longestM, at };
}
