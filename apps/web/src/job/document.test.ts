import { differences, sameData } from './document.ts';

test('data is the same whatever the order of its keys', () => {
  expect(sameData({ a: 1, b: [{ c: 2 }] }, { b: [{ c: 2 }], a: 1 })).toBe(true);
  // As in JSON: else a save would never find what it sent.
  expect(sameData({ a: 1 }, { a: 1, b: undefined })).toBe(true);
  expect(sameData({ a: 1 }, { a: 1, b: null })).toBe(false);
  expect(sameData([1, 2], [1, 3])).toBe(false);
  expect(sameData(null, {})).toBe(false);
});

test('differences name each leaf, and a list that grew as a whole', () => {
  expect(
    differences(
      { name: 'Beam', widthM: 0.6, line: [1, 2], mix: { a: 1 } },
      { name: 'Arch', widthM: 0.6, line: [1, 2, 3], mix: { a: 2 } },
    ),
  ).toEqual([
    { path: 'name', mine: 'Beam', theirs: 'Arch' },
    { path: 'line', mine: [1, 2], theirs: [1, 2, 3] },
    { path: 'mix.a', mine: 1, theirs: 2 },
  ]);
});
