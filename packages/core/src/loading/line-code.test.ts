import { lineCode, readLineCode } from './line-code.ts';

/** 32 bits of FNV-1a: the hash's own test vectors (from memory), here as five signs of their lowest 25 bits by hand. */
test.each([
  ['foobar', 0xbf9cf968],
  ['a', 0xe40c292c],
  ['', 0x811c9dc5],
])('%j has the code of its hash', (text, hash) => {
  const signs = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
  const bits = (hash & 0x1ffffff).toString(2).padStart(25, '0');
  const five = bits.match(/.{5}/g)?.map((part) => signs[Number.parseInt(part, 2)]);
  expect(lineCode(text)).toBe(five?.join(''));
});

test.each([
  ['7k3-oq', '7K30Q'],
  [' il ab c', '11ABC'],
  ['7K30', undefined],
  ['7K30QQ', undefined],
  ['7K3*Q', undefined],
  ['UUUUU', undefined],
])('%j is read as %j', (typed, code) => {
  expect(readLineCode(typed)).toBe(code);
});

test('what is printed is read again', () => {
  for (let i = 0; i < 500; i++)
    expect(readLineCode(lineCode(`kit tools ${i}`))).toBe(lineCode(`kit tools ${i}`));
});
