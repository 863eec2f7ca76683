/** A point of the place, m: along the spot, above the floor, out from the wall. */
export interface XYZ {
  x: number;
  y: number;
  z: number;
}

/** A box with its edges along the spot, up and out; a side may be infinitely far away. */
export interface Box {
  from: XYZ;
  to: XYZ;
}

const AXES = ['x', 'y', 'z'] as const;

/** Whether a straight line between two points passes through a box: clipped to it after Liang and Barsky, something is left. */
export function crosses(a: XYZ, b: XYZ, box: Box): boolean {
  let [from, to] = [0, 1];
  for (const axis of AXES) {
    const slope = b[axis] - a[axis];
    const [low, high] = [box.from[axis] - a[axis], box.to[axis] - a[axis]];
    if (slope === 0) {
      if (low > 0 || high < 0) return false;
      continue;
    }
    from = Math.max(from, Math.min(low / slope, high / slope));
    to = Math.min(to, Math.max(low / slope, high / slope));
  }
  return from < to;
}

/** How far two boxes reach into each other, m, along the axis where it is least; 0 or less where they are apart. */
export const overlapOf = (a: Box, b: Box): number =>
  Math.min(...AXES.map((axis) => Math.min(a.to[axis], b.to[axis]) - Math.max(a.from[axis], b.from[axis])));

/** How far a point is from a box, m; 0 inside. */
export const distanceToBox = (at: XYZ, { from, to }: Box): number =>
  Math.hypot(...AXES.map((axis) => Math.max(from[axis] - at[axis], at[axis] - to[axis], 0)));
