/**
 * Rings of touching balloons round an axis, and the pitch of rings that nest half a step on each other.
 * Derived here from spheres in contact; latex gives, which the press factor of the callers covers.
 */

/**
 * Radius on which the centres of `n` equal balloons lie when neighbours touch.
 * @param n balloons in the ring, 2 or more
 * @param diameter any length unit; the result has the same
 */
export function ringRadius(n: number, diameter: number): number {
  return diameter / (2 * Math.sin(Math.PI / n));
}

/** Outer diameter of that ring, same unit. */
export function ringOuterDiameter(n: number, diameter: number): number {
  return diameter * (1 / Math.sin(Math.PI / n) + 1);
}

/**
 * Height from one ring to the next, turned half a step, both of `n` balloons:
 * `h = sqrt(s² − ra² − rb² + 2 ra rb cos(π/n))`, `s = (da + db)/2`.
 * @throws RangeError when the rings differ so much that one slips inside the other
 */
export function nestedPitch(n: number, lower: number, upper: number): number {
  const ra = ringRadius(n, lower);
  const rb = ringRadius(n, upper);
  const touching = (lower + upper) / 2;
  const square = touching ** 2 - ra ** 2 - rb ** 2 + 2 * ra * rb * Math.cos(Math.PI / n);
  if (square < 0) throw new RangeError(`rings of ${lower} and ${upper} do not rest on each other`);
  return Math.sqrt(square);
}

/** Share of the ring stack's outer cylinder that is balloon, no unit. */
export function ringSolidShare(n: number): number {
  const balls = (n * Math.PI) / 6;
  const cylinder = (Math.PI / 4) * ringOuterDiameter(n, 1) ** 2 * nestedPitch(n, 1, 1);
  return balls / cylinder;
}

/**
 * Step of a square-packed stack: large quads one above the other, a small quad turned 45° in the hollow between each
 * two: `max(2 h(large, small), d_large)`, same unit.
 */
export function squarePitch(large: number, small: number): number {
  return Math.max(2 * nestedPitch(4, large, small), large);
}
