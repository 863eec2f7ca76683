import { chainLength, scaleToLength, smoothLine, stationsAt } from './line.ts';

test('points on a quarter circle give its length within a third of a per cent', () => {
  const points = Array.from({ length: 7 }, (_, i) => {
    const angle = (i / 6) * (Math.PI / 2);
    return { x: 3 * Math.cos(angle), y: 3 * Math.sin(angle) };
  });
  const exact = (3 * Math.PI) / 2;
  expect(Math.abs(chainLength(smoothLine(points)) / exact - 1)).toBeLessThan(0.0034);
});

test('a straight line stays straight, and its stations lie where they are asked for', () => {
  const chain = smoothLine([
    { x: 1, y: 1 },
    { x: 4, y: 5 },
  ]);
  expect(chainLength(chain)).toBeCloseTo(5, 9);
  const [start, middle, end] = stationsAt(chain, [0, 2.5, 9]);
  expect([start?.x, start?.y]).toEqual([1, 1]);
  expect(middle?.x).toBeCloseTo(2.5, 9);
  expect([middle?.tx, middle?.ty]).toEqual([expect.closeTo(0.6, 9), expect.closeTo(0.8, 9)]);
  expect([end?.x, end?.y]).toEqual([expect.closeTo(4, 9), expect.closeTo(5, 9)]);
});

test('scaling reaches the wanted length and keeps the start', () => {
  const points = [
    { x: 0.3, y: 0.2 },
    { x: 1, y: 2 },
    { x: 3, y: 2.4 },
  ];
  const scaled = scaleToLength(points, 3.6576);
  expect(chainLength(smoothLine(scaled))).toBeCloseTo(3.6576, 9);
  expect(scaled[0]).toEqual(points[0]);
});

test('points on top of each other do no harm', () => {
  const chain = smoothLine([
    { x: 0, y: 0 },
    { x: 0, y: 0 },
    { x: 1, y: 0 },
  ]);
  expect(chainLength(chain)).toBeCloseTo(1, 9);
});
