import type { CutBar, MaterialRow } from '@early-lantern/contract';
import { withFixings } from '../network/fixings.ts';
import { blank } from '../structure/blank-piece.ts';
import { garland } from '../test/samples.ts';
import { material, materialItems, materialRows, totalMaterials, unitsFor } from './materials.ts';
import { jointTape, pipeRun, pipesAsCut } from './piping.ts';
import { shortMaterials } from './short.ts';

const FT = 0.3048;

// A length typed in feet and meant as a whole number of units may come out a hair over; a real remainder takes one more.
test.each([
  [30 * FT, 10 * FT, 3],
  [30.1 * FT, 10 * FT, 3],
  [31 * FT, 10 * FT, 4],
  [0.01, 3, 0],
  [2, 3, 1],
])('%s m take %s-m lengths: %i', (lengthM, unitM, count) => expect(unitsFor(lengthM, unitM)).toBe(count));

test('an item the catalogue does not have is refused; a detail is told in its name and its working', () => {
  expect(() => material('fairy-dust', 1, 'one', [])).toThrow(/fairy-dust/);
  const dot = material('weight', 2.00049, 'on each base · bases', [['bases', 2]], undefined, {
    detail: 'sandbag',
  });
  expect(dot).toMatchObject({ item: 'weight', count: 2, detail: 'sandbag' });
  expect(dot.working).toMatchObject({
    label: 'Weight: sand, water or plate: sandbag',
    value: 2,
    unit: 'weights',
  });
  expect(dot.working.inputs).toEqual([{ name: 'bases', value: 2, unit: '' }]);
});

test('alike rows add up with every working, others stay apart; nothing is no row; sizes in the shop’s units', () => {
  const rows = materialRows(
    [
      material('tape', 1.5, 'a', []),
      material('modelling-260', 3, 'b', []),
      material('tape', 2, 'c', []),
      material('weight', 2, 'd', [], undefined, { detail: 'sandbag' }),
      material('weight', 1, 'e', [], undefined, { detail: 'plate' }),
      material('zip-tie', 0, 'f', []),
      material('board', 2, 'g', [], undefined, { sizeM: [4 * FT, 8 * FT] }),
    ],
    'imperial',
  );
  // In the order of the catalogue.
  expect(rows.map(({ label, count }) => [label, count])).toEqual([
    ['Modelling balloon 260', 3],
    ['Tape', 3.5],
    ['Painted board: 4 ft × 8 ft', 2],
    ['Weight: sand, water or plate: sandbag', 2],
    ['Weight: sand, water or plate: plate', 1],
  ]);
  expect(rows[1]?.working.map(({ formula }) => formula)).toEqual(['a', 'c']);
  expect(rows.map(({ isGear }) => isGear)).toEqual([false, false, true, true, true]);
  const total = totalMaterials([
    { name: 'Arch', materials: rows },
    { name: 'Wall', materials: rows.slice(0, 2) },
  ]);
  expect(total.map(({ count }) => count)).toEqual([6, 7, 2, 2, 1]);
  expect(total[0]?.working.map(({ label }) => label)).toEqual([
    'Arch: Modelling balloon 260',
    'Wall: Modelling balloon 260',
  ]);
  expect(materialItems.every(({ tag }) => tag.length > 0)).toBe(true);
});

test('a run of 32 ft takes four lengths of 10 ft, three couplings and half a metre of tape over each', () => {
  const run = pipeRun('pvc-half', 32 * FT);
  expect(run.map(({ item, count }) => [item, count])).toEqual([
    ['pipe-pvc-half', 4],
    ['coupling', 3],
    ['tape', 1.5],
  ]);
  expect(run.map((row) => row.working.inputs.map(({ value }) => value))).toEqual([
    [9.7536, 3.048],
    [4],
    [3, 0.5],
  ]);
  expect(jointTape(4, '4 joints').working.label).toBe('Tape over 4 joints');
});

const row = (item: string, count: number): MaterialRow => ({
  item,
  label: item,
  unit: '',
  isGear: true,
  count,
  working: [],
});

test('pipe is bought as the cut list has it: not what is owned, not what another job cuts', () => {
  const bar = (stock: string, isOwned: boolean, ...jobs: (string | undefined)[]): CutBar => ({
    stock,
    stockM: 3,
    isOwned,
    cuts: jobs.map((job) => ({ pieceId: 'p', label: 'bar', lengthM: 1, ...(job ? { job } : {}) })),
    wasteM: 0,
  });
  const cutList = [
    bar('pipe-pvc-half', false, undefined, 'Another'),
    bar('pipe-pvc-half', false, undefined),
    bar('pipe-pvc-half', true, undefined, undefined),
    bar('pipe-pvc-half', false, 'Another'),
    bar('pipe-pvc-one', false, undefined),
  ];
  const [tee, half, ...none] = pipesAsCut(
    [row('tee', 2), row('pipe-pvc-half', 9), row('pipe-emt-half', 1)],
    cutList,
  );
  expect(tee).toEqual(row('tee', 2));
  expect(half).toMatchObject({ item: 'pipe-pvc-half', count: 2 });
  // Four cuts of its own, one length of its own used.
  expect(half?.working[0]?.inputs.map(({ value }) => value)).toEqual([4, 1]);
  expect(none).toEqual([]);
});

test('short is what all rows of an item want above what is there and not held; what was never counted is not judged', () => {
  const rows = [row('clamp', 4), row('tape', 3), row('clamp', 3), row('blanket', 9)];
  const materials = [
    { item: 'clamp', onHand: 8 },
    { item: 'tape', onHand: 3 },
  ];
  expect(shortMaterials(rows, { materials })).toEqual([]);
  const heldMaterials = [{ item: 'clamp', count: 3, jobs: ['Another'] }];
  expect(shortMaterials(rows, { materials, heldMaterials })).toMatchObject([
    { row: { item: 'clamp', count: 7 }, onHand: 8, held: 3, lacks: 2 },
  ]);
  // More is held than there is: nothing of it is there, not less than nothing.
  expect(
    shortMaterials(rows, { materials, heldMaterials: [{ item: 'clamp', count: 20, jobs: [] }] })[0]?.lacks,
  ).toBe(7);
  expect(shortMaterials(rows, {})).toEqual([]);
});

test('ties that a piece brings serve its points once, whatever each is fixed by', () => {
  const at = (method: 'nail' | 'tie', id: string) => ({
    ...{ id, spotXYM: { xM: 0, yM: 2 }, at: 0, section: 0, method, surface: 'wood' as const },
    ...{ loadN: 1, windNPerPa: 0, ratingN: 10, factor: 10, isLocked: false },
  });
  const held = {
    ...blank(garland(10), 'points', 1),
    points: [at('nail', '1'), at('nail', '2'), at('nail', '3'), at('tie', '4'), at('tie', '5')],
  };
  // Five points take a 260 each; two are there.
  const own = withFixings([material('modelling-260', 2, 'its own', [])], held, 'metric');
  expect(own.reduce((sum, { count }) => sum + count, 0)).toBe(2 + 3);
  // "A fixing at each point" is no tie: all five are to be had.
  const vague = withFixings(
    [material('tie-point', 5, 'one each', []), material('modelling-260', 2, 'its own', [])],
    held,
    'metric',
  );
  expect(vague.filter(({ item }) => item === 'tie-point')).toEqual([]);
  expect(vague.reduce((sum, { count }) => sum + count, 0)).toBe(2 + 5);
});
