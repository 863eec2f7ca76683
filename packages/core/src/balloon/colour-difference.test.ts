import type { Colour, Lab } from '@early-lantern/contract';
import { closestColours, colourDifference, labOfHex } from './colour-difference.ts';

const lab = (l: number, a: number, b: number): Lab => ({ l, a, b });

// Pairs published by Sharma, Wu and Dalal, "The CIEDE2000 color-difference formula", Color Research and Application
// 30 (2005), table 1; values from memory.
test.each([
  [lab(50, 2.6772, -79.7751), lab(50, 0, -82.7485), 2.0425],
  [lab(50, 3.1571, -77.2803), lab(50, 0, -82.7485), 2.8615],
  [lab(50, 2.8361, -74.02), lab(50, 0, -82.7485), 3.4412],
  [lab(50, -1.3802, -84.2814), lab(50, 0, -82.7485), 1.0],
  [lab(50, 0, 0), lab(50, -1, 2), 2.3669],
  [lab(50, 2.5, 0), lab(50, 0, -2.5), 4.3065],
  [lab(50, 2.5, 0), lab(73, 25, -18), 27.1492],
  [lab(50, 2.5, 0), lab(61, -5, 29), 22.8977],
  [lab(50, 2.5, 0), lab(56, -27, -3), 31.903],
  [lab(50, 2.5, 0), lab(58, 24, 15), 19.4535],
  [lab(60.2574, -34.0099, 36.2677), lab(60.4626, -34.1751, 39.4387), 1.2644],
  [lab(63.0109, -31.0961, -5.8663), lab(62.8187, -29.7946, -4.0864), 1.263],
  [lab(2.0776, 0.0795, -1.135), lab(0.9033, -0.0636, -0.5514), 0.9082],
])('%j and %j differ by %d', (one, two, difference) => {
  expect(colourDifference(one, two)).toBeCloseTo(difference, 4);
  expect(colourDifference(two, one)).toBeCloseTo(difference, 4);
  expect(colourDifference(one, one)).toBe(0);
});

// White and black by definition; the primaries' values are those of IEC 61966-2-1 with D65, from memory.
test.each([
  ['#ffffff', 100, 0, 0],
  ['#000000', 0, 0, 0],
  ['#ff0000', 53.24, 80.09, 67.2],
  ['#00ff00', 87.73, -86.18, 83.18],
  ['#0000ff', 32.3, 79.19, -107.86],
])('%s', (hex, l, a, b) => {
  const found = labOfHex(hex);
  expect(Math.abs(found.l - l)).toBeLessThan(0.02);
  expect(Math.abs(found.a - a)).toBeLessThan(0.03);
  expect(Math.abs(found.b - b)).toBeLessThan(0.03);
});

test('the closest first, never the colour itself; a measured value goes before the shade', () => {
  const colour = (id: string, hex: string, more: Partial<Colour> = {}): Colour => ({
    id,
    name: id,
    hex,
    ...more,
  });
  const colours = [
    colour('teal', '#1f6f73'),
    colour('slate', '#2b4a63'),
    colour('brick', '#c8644d'),
    colour('odd', '#c8644d', { lab: labOfHex('#206e74') }),
  ];
  expect(closestColours(colours[0] as Colour, colours).map((one) => one.colour.id)).toEqual([
    'odd',
    'slate',
    'brick',
  ]);
});
