import { z } from 'zod';
import { read } from './faults.ts';
import { readNumber } from './numbers.ts';

test.each([
  ['2000', 2000],
  ['2,000', 2000],
  ['1,234,567.5', 1_234_567.5],
  ['2 000', 2000],
  ["12'500", 12_500],
  ['2,5', 2.5],
  ['0.25', 0.25],
  ['.5', 0.5],
  ['-3', -3],
  ['\u22123', -3],
  ['0x10', undefined],
  ['1e2', undefined],
  ['', undefined],
  ['1,2,3', undefined],
  ['12,34.5', undefined],
  ['Infinity', undefined],
  ['three', undefined],
])('%j is read as people write it', (text, expected) => {
  expect(readNumber(text)).toBe(expected);
});

test('a NUL or half a surrogate is refused with its path, however deep; what is whole is not', () => {
  const schema = z.object({ pieces: z.array(z.object({ name: z.string() })) });
  const named = (name: string) => read(schema, { pieces: [{ name: 'fine' }, { name }] });
  for (const name of ['a\0b', 'half \ud83c', '\udf88 half'])
    expect(named(name)).toEqual({
      ok: false,
      faults: [{ path: 'pieces[1].name', reason: 'holds a character that cannot be kept' }],
    });
  expect(named('a whole balloon \ud83c\udf88').ok).toBe(true);
});
