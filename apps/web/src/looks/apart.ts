/** Rounds of pushing; few marks lie so close together that it takes more. */
const ROUNDS = 60;

/** Where numbers stand so that none lies on another, as near to what they mean as can be: pushed apart two by two, drawn back. */
export function apart<M extends { x: number; y: number }>(marks: readonly M[], leastM: number): M[] {
  const moved = marks.map(({ x, y }) => ({ x, y }));
  for (let round = 0; round < ROUNDS; round++) {
    // In the last rounds nothing is drawn back any more.
    const back = round < ROUNDS / 2 ? 0.08 : 0;
    moved.forEach((one, i) => {
      const from = marks[i] as M;
      one.x += (from.x - one.x) * back;
      one.y += (from.y - one.y) * back;
      for (let j = i + 1; j < moved.length; j++) {
        const other = moved[j] as typeof one;
        const [dx, dy] = [other.x - one.x, other.y - one.y];
        const far = Math.hypot(dx, dy);
        if (far >= leastM) continue;
        // Two in one place part sideways.
        const [ux, uy] = far > 1e-9 ? [dx / far, dy / far] : [1, 0];
        const push = (leastM - far) / 2;
        one.x -= ux * push;
        one.y -= uy * push;
        other.x += ux * push;
        other.y += uy * push;
      }
    });
  }
  return marks.map((mark, i) => ({ ...mark, ...moved[i] }));
}
