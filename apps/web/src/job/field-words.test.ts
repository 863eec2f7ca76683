import { fieldWords, valueWords } from './field-words.ts';

test('fields are spoken of in words, without their units', () => {
  expect(fieldWords('access.from')).toBe('access from');
  expect(fieldWords('line.2.xM')).toBe('line 3 across');
  expect(fieldWords('pipeLengthM')).toBe('pipe length');
  expect(fieldWords('colours.0.sharePct')).toBe('colours 1 share');
  expect(fieldWords('frontM')).toBe('distance from the wall');
});

test('values are shown by the shop’s clock and in its lengths', () => {
  const feet = (metres: number) => `${metres / 0.3048} ft`;
  const words = (path: string, value: unknown) => valueWords(path, value, 'America/Chicago', feet);
  expect(words('doors', '2031-06-19T18:30:00Z')).toBe('Thursday 19 June 2031, 13:30');
  expect(words('spanM', 3.048)).toBe('10 ft');
  expect(words('crew', ['wren', 'ilo'])).toBe('wren, ilo');
  expect(words('strikeCrew', undefined)).toBe('—');
  expect(words('hold', { points: [] })).toBe('changed');
});
