import type { Piece } from '@early-lantern/contract';
import { newPiece } from '@early-lantern/core';
import { rebased } from './rebased.ts';

const spot = { id: 'wall', widthM: 5, heightM: 3 };
const shown = newPiece('tower', { id: 'one', name: 'One', spot, colours: ['a', 'b'], seed: 1 });

test('a change made from an older state keeps what has changed since', () => {
  const dragged = { ...shown, at: { xM: 4, yM: 0 } } as Piece;
  const typed = { ...shown, heightM: 1.2 } as Piece;
  expect(rebased(dragged, shown, typed)).toEqual({ ...shown, at: { xM: 4, yM: 0 }, heightM: 1.2 });
  expect(rebased(shown, shown, typed)).toBe(typed);
});

test('what the change leaves out is left out; what came since and was not touched stays', () => {
  const grouped = { ...shown, group: 'gate' } as Piece;
  const { group: _, ...alone } = grouped;
  const renamed = { ...grouped, name: 'Renamed' } as Piece;
  expect(rebased(renamed, grouped, alone as Piece)).toEqual({ ...shown, name: 'Renamed' });
  const later = { ...shown, group: 'later' } as Piece;
  expect(rebased(later, shown, { ...shown, heightM: 2 } as Piece)).toMatchObject({
    group: 'later',
    heightM: 2,
  });
});

test('two quick changes to one list both stand: a figure of one layer, then a layer put on top or taken out', () => {
  const layer = (balloons: number) => ({ balloons, inflatedIn: 10, colour: 'a' });
  const [low, high] = [layer(4), layer(4)];
  const tower = { ...shown, ownLayers: [low, high] } as Piece;
  const typed = { ...tower, ownLayers: [layer(6), high] } as Piece;
  const ownLayersOf = (to: unknown[]) => rebased(typed, tower, { ...tower, ownLayers: to } as Piece);
  expect(ownLayersOf([low, high, high])).toMatchObject({ ownLayers: [layer(6), high, high] });
  expect(ownLayersOf([low, layer(5)])).toMatchObject({ ownLayers: [layer(6), layer(5)] });
  expect(ownLayersOf([{ ...low, inflatedIn: 9 }, high])).toMatchObject({
    ownLayers: [{ ...layer(6), inflatedIn: 9 }, high],
  });
  expect(ownLayersOf([low])).toMatchObject({ ownLayers: [layer(6)] });
  // Twice the same button before the panel follows.
  const one = { ...shown, ownLayers: [low] } as Piece;
  const once = { ...one, ownLayers: [low, low] } as Piece;
  expect(rebased(once, one, once)).toMatchObject({ ownLayers: [low, low, low] });
});

test('where both changes together would be no sound piece the later one stands alone', () => {
  const one = { ...shown, ownLayers: [{ balloons: 4, inflatedIn: 10, colour: 'a' }] } as Piece;
  const { ownLayers: _, ...plain } = one as Piece & { ownLayers: unknown };
  const [off, wide] = [plain as Piece, { ...one, name: 'Wide' } as Piece];
  expect(rebased(off, one, wide)).toEqual({ ...plain, name: 'Wide' });
  const broken = { ...one, ownLayers: undefined, heightM: -1 } as unknown as Piece;
  expect(rebased(broken, one, wide)).toBe(wide);
});
