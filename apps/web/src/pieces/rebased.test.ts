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
