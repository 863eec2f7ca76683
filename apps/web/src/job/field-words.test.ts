import { fieldWords, namesIn, valueWords } from './field-words.ts';

test('fields are spoken of as their labels are, without units', () => {
  expect(fieldWords('access.from')).toBe('access from');
  expect(fieldWords('line.2.xM')).toBe('line, point 3 across');
  expect(fieldWords('pipeLengthM')).toBe('length of pipe');
  expect(fieldWords('colours.0.sharePct')).toBe('colours 1 share');
  expect(fieldWords('frontM')).toBe('distance from the wall');
  expect(fieldWords('loadsEvening')).toBe('prepared and loaded the evening before');
  expect(fieldWords('gustMs')).toBe('strongest gust');
});

test('values are shown by the shop’s clock, in its lengths and by name', () => {
  const long = (metres: number) => `${metres / 0.3048} ft`;
  const crew = [
    { id: 'wren', name: 'Wren' },
    { id: 'ilo', name: 'Ilo Marsh' },
  ];
  const names = namesIn({ workshop: { crew } });
  const speech = { zone: 'America/Chicago', long, nameOf: (id: string) => names.get(id) };
  const words = (path: string, value: unknown) => valueWords(path, value, speech);
  expect(words('doors', '2031-06-19T18:30:00Z')).toBe('Thursday 19 June 2031, 13:30');
  expect(words('spanM', 3.048)).toBe('10 ft');
  expect(words('crew', ['wren', 'ilo'])).toBe('Wren, Ilo Marsh');
  expect(words('strikeCrew', undefined)).toBe('—');
  expect(words('hold', { points: [] })).toBe('changed');
  expect(words('pipe', 'pvc-half')).toBe('pvc half');
  expect(words('notes', 'half-way up')).toBe('half-way up');
});
