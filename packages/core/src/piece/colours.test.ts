import { Piece, type PieceKind, placesOf } from '@early-lantern/contract';
import { made } from '../test/carried.ts';
import places from './colour-places.json';
import { recoloured } from './colours.ts';

test.each(Piece.options.map((option) => [option.shape.kind.value, option] as const))(
  'where a %s names colours is where its schema has them',
  (kind: PieceKind, option) => expect(places[kind]).toEqual(placesOf(option, 'colour')),
);

test('one colour for another: shares joined, clusters and patterns too; what stood in for it goes', () => {
  const garland = made('organic-garland', 'g', {
    colours: [
      { colour: 'brick', sharePct: 50 },
      { colour: 'cream', sharePct: 30 },
      { colour: 'slate', sharePct: 20 },
    ],
    stretches: [{ colour: 'brick', clusterSize: 4, clusters: 6 }],
    standIns: [{ way: 'other-colour', nominalIn: 11, colour: 'brick', useColour: 'slate' }],
  });
  const { standIns: _, ...rest } = garland;
  expect(recoloured(garland, 'brick', 'cream')).toEqual({
    ...rest,
    colours: [
      { colour: 'cream', sharePct: 80 },
      { colour: 'slate', sharePct: 20 },
    ],
    stretches: [{ colour: 'cream', clusterSize: 4, clusters: 6 }],
  });
  const chain = made('chain', 'c', { colours: ['brick', 'cream', 'brick'] });
  expect(recoloured(chain, 'brick', 'slate')).toMatchObject({ colours: ['slate', 'cream', 'slate'] });
});

test('balloons that hang already stay the colour they are', () => {
  const kept = [{ nominalIn: 11, colour: 'brick', count: 12 }];
  const garland = made('organic-garland', 'g', { colours: [{ colour: 'brick', sharePct: 100 }], kept });
  expect(recoloured(garland, 'brick', 'cream')).toMatchObject({
    colours: [{ colour: 'cream', sharePct: 100 }],
    kept,
  });
});
