import { memoByPiece } from './memo.ts';

test('an answer is worked out once for a piece and its inputs, and anew when either is another', () => {
  let worked = 0;
  const lengthOf = memoByPiece(
    (_: { name: string }, ...inputs: (number | undefined)[]) => inputs,
    ({ name }, ...inputs) => {
      worked += 1;
      return name.length + inputs.reduce<number>((sum, one) => sum + (one ?? 0), 0);
    },
  );
  const arch = { name: 'arch' };
  expect([lengthOf(arch, 1, 2), lengthOf(arch, 1, 2), worked]).toEqual([7, 7, 1]);
  // Another input, one more, one less, one undefined; not-a-number is itself.
  expect([lengthOf(arch, 1, 3), lengthOf(arch, 1), lengthOf(arch, 1, undefined), worked]).toEqual([
    8, 5, 5, 4,
  ]);
  lengthOf(arch, Number.NaN);
  lengthOf(arch, Number.NaN);
  expect(worked).toBe(5);
  // A piece that only looks the same is another; each keeps its own answer.
  expect([lengthOf({ name: 'arch' }, 9), lengthOf(arch, Number.NaN), worked]).toEqual([13, Number.NaN, 6]);
});
