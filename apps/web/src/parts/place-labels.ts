/** Room a character takes at the labels' size, pixels; a little more than the mean. */
const CHARACTER_PX = 7.3;
const GAP_PX = 8;

/**
 * Where labels stand beside their marks: on the right, else on the left, else one level down, so that none lies over
 * another.
 */
export function placeLabels(
  marks: readonly { x: number; text: string }[],
  width: number,
): { left: number; level: number }[] {
  const taken: { level: number; from: number; to: number }[] = [];
  const isFree = (level: number, from: number, to: number) =>
    from >= 0 &&
    to <= width &&
    taken.every((other) => other.level !== level || to + GAP_PX <= other.from || from >= other.to + GAP_PX) &&
    // A label must not lie on another mark's line either.
    marks.every((mark) => mark.x < from - 2 || mark.x > to + 2);
  return marks.map(({ x, text }) => {
    const size = Math.min(width, text.length * CHARACTER_PX);
    const sides = [x + GAP_PX, x - GAP_PX - size];
    for (let level = 0; level <= marks.length; level++) {
      const left = sides.find((side) => isFree(level, side, side + size));
      if (left === undefined) continue;
      taken.push({ level, from: left, to: left + size });
      return { left, level };
    }
    const left = Math.max(0, Math.min(width - size, x - size / 2));
    const level = Math.max(-1, ...taken.map((other) => other.level)) + 1;
    taken.push({ level, from: left, to: left + size });
    return { left, level };
  });
}
