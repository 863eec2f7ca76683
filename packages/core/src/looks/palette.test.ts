import type { Colour } from '@early-lantern/contract';
import { asSeenBy, readPalette } from './palette.ts';

const colour = (id: string, hex: string): Colour => ({ id: id as Colour['id'], name: id, hex });
const red = colour('red', '#c43a31');
const green = colour('green', '#5d7a2c');
const white = colour('white', '#ffffff');
const navy = colour('navy', '#1b2a52');
const cream = colour('cream', '#fbf6e9');
const ink = colour('ink', '#16203f');

test('eyes without one kind of cone: greys stay greys, red turns dark and yellowish without the long cones', () => {
  for (const eyes of ['usual', 'protan', 'deutan', 'tritan'] as const) {
    const [r, g, b] = [1, 3, 5].map((at) =>
      Number.parseInt(asSeenBy('#808080', eyes).slice(at, at + 2), 16),
    ) as [number, number, number];
    expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(2);
  }
  // Machado and others (2009), protanopia, severity 1, on linear sRGB: the first row of their matrix
  // (0.152286, 1.052583, −0.204868) turns pure red into 0.152286, that is 0.427 or #6d in sRGB.
  expect(asSeenBy('#ff0000', 'protan').slice(1, 3)).toBe('6d');
  expect(asSeenBy('#c43a31', 'usual')).toBe('#c43a31');
});

test('a colour that hides before the wall is told, with one of the house that stands out and lies nearest in hue', () => {
  const { wall } = readPalette([white, red], [white, red, navy, green], '#f4f1ea');
  expect(wall.map(({ colour: { id }, shows }) => [id, shows])).toEqual([
    ['white', 'hardly'],
    ['red', 'well'],
  ]);
  // Among colours not in the palette yet; both stand out, a grey goes to the one with least colour.
  expect(wall[0]?.instead?.colour.id).toBe('navy');
  expect(wall[1]?.instead).toBeUndefined();
});

test('pairs: alike to all told once, red and green alike to some, from across the room more than near by', () => {
  const { alike } = readPalette([red, green, cream, white, navy, ink], [], '#808080');
  const pair = (a: string, b: string) =>
    alike
      .filter(({ one, other }) => one.id === a && other.id === b)
      .map(({ eyes, isNear }) => ({ eyes, isNear }));
  expect(pair('cream', 'white')).toEqual([{ eyes: 'usual', isNear: true }]);
  expect(pair('navy', 'ink')).toEqual([{ eyes: 'usual', isNear: expect.any(Boolean) }]);
  expect(pair('red', 'green')[0]?.eyes).toMatch(/deutan|protan/);
  expect(pair('red', 'navy')).toEqual([]);
});
