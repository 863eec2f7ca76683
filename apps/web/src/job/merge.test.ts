import { merged } from './merge.ts';

const base = {
  name: 'Beam',
  widthM: 0.5,
  note: 'low',
  line: [1, 2],
  mix: { seed: 1, colours: [1] },
  stars: [
    { id: 'a', at: 0.1 },
    { id: 'b', at: 0.5 },
  ],
  dress: { style: 'organic', widthM: 0.4 } as object,
};

test('different fields are put together, the same ones are told and mine stands', () => {
  const mine = { ...base, name: 'Beam, mine', mix: { seed: 2, colours: [1] } };
  const theirs = { ...base, widthM: 0.7, mix: { seed: 1, colours: [1, 2] }, name: 'Beam' };
  expect(merged(base, mine, theirs)).toEqual({
    value: { ...base, name: 'Beam, mine', widthM: 0.7, mix: { seed: 2, colours: [1, 2] } },
    clashes: [],
  });
  const both = merged(base, { ...base, line: [1, 3], note: 'x' }, { ...base, line: [1, 4], note: 'x' });
  expect(both).toEqual({ value: { ...base, line: [1, 3], note: 'x' }, clashes: ['line'] });
});

test('what one took away stays away; taken away by one and changed by the other it is told', () => {
  const { note: _, ...without } = base;
  expect(merged<Partial<typeof base>>(base, base, without)).toEqual({ value: without, clashes: [] });
  expect(merged<Partial<typeof base>>(base, { ...base, note: 'high' }, without)).toEqual({
    value: { ...base, note: 'high' },
    clashes: ['note'],
  });
});

test('things with ids one by one: moved here, added and taken away there', () => {
  const mine = {
    ...base,
    stars: [
      { id: 'b', at: 0.6 },
      { id: 'a', at: 0.1 },
      { id: 'c', at: 0.9 },
    ],
  };
  const theirs = {
    ...base,
    stars: [
      { id: 'b', at: 0.5 },
      { id: 'd', at: 0.2 },
    ],
  };
  expect(merged(base, mine, theirs)).toEqual({
    value: {
      ...base,
      stars: [
        { id: 'b', at: 0.6 },
        { id: 'c', at: 0.9 },
        { id: 'd', at: 0.2 },
      ],
    },
    clashes: [],
  });
});

test('of two kinds nothing is put together', () => {
  const mine = { ...base, dress: { style: 'organic', widthM: 0.6 } };
  const theirs = { ...base, dress: { style: 'quads', balloon: 5 } };
  expect(merged(base, mine, theirs).clashes).toEqual(['dress']);
});
