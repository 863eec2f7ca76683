import fc from 'fast-check';
import { formatLength, formatShort, LengthFormatError, parseLength } from './length.ts';

// One inch is exactly 25.4 mm: international yard and pound agreement, 1959.
const IN = 0.0254;

test.each([
  ["12'6", 150 * IN],
  ['12\' 6"', 150 * IN],
  ['12 ft 6 in', 150 * IN],
  ['12ft6in', 150 * IN],
  ['12 feet', 144 * IN],
  ['150"', 150 * IN],
  ['150 in', 150 * IN],
  ['12’6½”', 150.5 * IN],
  ['7\' 3 3/8"', 87.375 * IN],
  ['½ in', 0.5 * IN],
  ["12.5'", 150 * IN],
  ['3.8 m', 3.8],
  ['3,8 m', 3.8],
  ['380 cm', 3.8],
  ['3800 mm', 3.8],
  ['1,200 mm', 1.2],
  ['12', 144 * IN],
])('reads %s', (text, metres) => {
  expect(parseLength(text, 'imperial')).toBeCloseTo(metres, 12);
});

test('a bare number is metres where metres are used', () => {
  expect(parseLength('12', 'metric')).toBe(12);
});

test.each(['', 'wide', '-3 ft', '12 ft 6 m', "1/0'", '3 4', '12 furlongs', '1e3 m', '1,200 m', '1,200 in'])(
  'refuses "%s"',
  (text) => {
    expect(() => parseLength(text, 'imperial')).toThrow(LengthFormatError);
  },
);

test('what is written reads back exactly: eighths of an inch, millimetres', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 40_000 }), (eighths) => {
      const metres = (eighths / 8) * IN;
      expect(parseLength(formatLength(metres, 'imperial'), 'imperial')).toBe(metres);
      expect(parseLength(formatShort(metres, 'imperial'), 'imperial')).toBe(metres);
    }),
  );
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 100_000 }), (mm) => {
      expect(parseLength(formatLength(mm / 1000, 'metric'), 'metric')).toBe(mm / 1000);
      expect(parseLength(formatShort(mm / 1000, 'metric'), 'metric')).toBe(mm / 1000);
    }),
  );
});
