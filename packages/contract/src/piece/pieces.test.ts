import { read } from '../faults.ts';
import { Spot } from '../site.ts';
import { Piece } from './index.ts';

const head = { id: 'one', name: 'One', spotId: 'wall', grade: 'standard' };
const at = { xM: 1, yM: 0 };
const pattern = { kind: 'spiral', colours: ['a', 'b'], turn: 'left', blockLayers: 1 };
const packed = { ...head, at, layerSize: 4, pressFactor: 0.97, pattern };
const eleven = { nominalIn: 11, inflatedIn: 9 };
const arch = { ...packed, kind: 'packed-arch', pipe: 'pvc-half', pipeLengthM: 6, spanM: 3, balloon: eleven };
const table = {
  ...packed,
  kind: 'table-arch',
  poleLengthM: 3,
  spanM: 1.4,
  tableThicknessM: 0.03,
  balloon: eleven,
};
const centre = { ...packed, kind: 'centrepiece', count: 4, postM: 0.5, nominalIn: 5, bottomIn: 5, topIn: 3 };
const pair = {
  ...head,
  kind: 'pair-arch',
  at,
  spanM: 2,
  outside: { nominalIn: 11, inflatedIn: 8 },
  inside: { nominalIn: 11, inflatedIn: 7 },
  outsideColours: ['a'],
  insideColours: ['b'],
};
const frame = {
  ...head,
  kind: 'photo-frame',
  at,
  widthM: 1.5,
  heightM: 2,
  dress: { style: 'quads', balloon: { nominalIn: 5, inflatedIn: 4 }, repeat: ['a', 'b', 'b', 'b'] },
  legs: 'bare',
  legM: 0.3,
};

const faultsOf = (piece: unknown) => {
  const result = read(Piece, piece);
  return result.ok ? [] : result.faults.map((fault) => fault.path);
};

test.each([arch, table, centre, pair, frame])('$kind is sound as it stands', (piece) => {
  expect(faultsOf(piece)).toEqual([]);
});

// What cannot be built is refused with its place.
test.each([
  ['bases wider apart than a half circle', { ...arch, spanM: 4 }, ['spanM']],
  ['bases too close to bend the pipe', { ...arch, spanM: 0.6 }, ['spanM']],
  [
    'blown above the nominal size',
    { ...arch, balloon: { nominalIn: 11, inflatedIn: 12 } },
    ['balloon.inflatedIn'],
  ],
  ['a layer of seven', { ...arch, layerSize: 7 }, ['layerSize']],
  ['a table too thick for the clamps', { ...table, tableThicknessM: 0.07 }, ['tableThicknessM']],
  ['larger above than below', { ...centre, topIn: 5.5, bottomIn: 5 }, ['topIn']],
  [
    'a pair without a difference',
    { ...pair, inside: { nominalIn: 11, inflatedIn: 8 } },
    ['inside.inflatedIn'],
  ],
  ['a lower bar as high as the upper', { ...frame, legM: 1.9 }, ['legM']],
  ['no such kind', { ...frame, kind: 'fountain' }, ['kind']],
  ['two faults at once', { ...arch, spanM: 4, layerSize: 9 }, ['layerSize', 'spanM']],
])('%s', (_, piece, paths) => {
  expect(faultsOf(piece).sort()).toEqual(paths);
});

test('marks of one list have names of their own; a list left out is no fault', () => {
  const spot = { id: 'wall', name: 'Wall', kind: 'wall', widthM: 4, heightM: 3, surface: 'tile' };
  const nail = { id: 'n', kind: 'nail', xM: 1, yM: 2, lengthM: 0 };
  expect(read(Spot, spot).ok).toBe(true);
  const twice = read(Spot, { ...spot, fixings: [nail, nail] });
  expect(twice.ok ? [] : twice.faults.map((fault) => fault.path)).toEqual(['fixings[1].id']);
});
