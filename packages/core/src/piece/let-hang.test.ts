import { chainLength, smoothLine } from '../geometry/line.ts';
import { letHang } from './let-hang.ts';

const points = (line: readonly { xM: number; yM: number }[]) => line.map(({ xM, yM }) => ({ x: xM, y: yM }));
const at = (...line: [number, number][]) => line.map(([xM, yM]) => ({ xM, yM }));

test('a limp garland between two points hangs in the catenary of its length', () => {
  // Drawn pointed, 3 m apart. Length over span 1.20941 at a sag of 0.3 of the span (textbook formula, as in shapes.test).
  const half = (3 * 1.20941) / 2;
  const line = at([1, 3], [2.5, 3 - Math.sqrt(half ** 2 - 1.5 ** 2)], [4, 3]);
  const lengthM = chainLength(smoothLine(points(line)));
  const hung = letHang({ line, widthM: 0.5 }) ?? [];
  expect([hung[0], hung.at(-1)]).toEqual([line[0], line.at(-1)]);
  expect(chainLength(smoothLine(points(hung))) / lengthM).toBeCloseTo(1, 2);
  const sagM = 3 - Math.min(...hung.map(({ yM }) => yM));
  // The pointed line is smoothed, so it is a little longer than its two sides.
  expect(sagM / 3).toBeGreaterThan(0.29);
  expect(sagM / 3).toBeLessThan(0.33);
  // Left and right alike.
  expect(hung.map(({ yM }) => yM)).toEqual(hung.map(({ yM }) => yM).reverse());
  // It hangs: there is nothing more to do.
  expect(letHang({ line: hung, widthM: 0.5 })).toBeUndefined();
});

test.each([
  ['straight it has no slack', at([0, 2], [3, 2]), 0.5],
  ['so long that it would lie on the floor', at([0, 1], [1, 0.3], [2, 1]), 0.8],
])('%s: it is left as it is drawn', (_, line, widthM) => {
  expect(letHang({ line, widthM })).toBeUndefined();
});
