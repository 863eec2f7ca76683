import { inchesToMetres } from '../quantity/length.ts';
import { outlineOf } from './gaps.ts';
import { asBalls } from './near-pairs.ts';
import { crevicesIn, frontOf, pitsOf } from './pits.ts';

const R = inchesToMetres(2);
const CELL = inchesToMetres(0.5);
/** A bed of balls side by side, one of them so much farther back; behind all a second bed. */
const bed = (backM: number) =>
  Array.from({ length: 121 }, (_, i) => {
    const [column, row] = [i % 11, Math.floor(i / 11)];
    const isBack = column === 5 && row === 5;
    return { xM: column * 1.8 * R, yM: 1 + row * 1.8 * R, zM: isBack ? 0.5 - backM : 0.5, rM: R };
  });

test('a ball that lies back is a pit as deep as it lies back, where it is; the round edge of the bed is none', () => {
  const backM = inchesToMetres(7);
  const balls = asBalls(bed(backM));
  const seen = frontOf(balls, CELL);
  const found = crevicesIn(pitsOf(seen, outlineOf(seen, balls)), inchesToMetres(5));
  expect(found).toHaveLength(1);
  expect(Math.hypot((found[0]?.uM ?? 9) - 5 * 1.8 * R, (found[0]?.vM ?? 9) - (1 + 5 * 1.8 * R))).toBeLessThan(
    R,
  );
  // As deep as it lies back, less the shoulders of those round it and plus its own roundness.
  expect(Math.abs((found[0]?.depthM ?? 0) - backM)).toBeLessThan(R);
});

test('an even bed has no crevice', () => {
  const balls = asBalls(bed(0));
  const seen = frontOf(balls, CELL);
  expect(crevicesIn(pitsOf(seen, outlineOf(seen, balls)), inchesToMetres(3))).toEqual([]);
});
