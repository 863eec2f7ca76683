import type { GroundArea, Piece, PieceOf } from '@early-lantern/contract';
import { newPiece } from '@early-lantern/core';
import { asideOf, copiesOf, without } from './copies.ts';

const spot = { id: 'wall', widthM: 8, heightM: 3 };
const column = (id: string, more: Partial<PieceOf<'packed-column'>> = {}): Piece => ({
  ...(newPiece('packed-column', {
    id,
    name: id,
    spot,
    colours: ['chalk'],
    seed: 1,
  }) as PieceOf<'packed-column'>),
  ...more,
});
const on = (pieceId: string) => ({ pieceId, part: 'pole' as const });
const area = (outM: number, depthM: number): GroundArea =>
  ({ what: 'body', xM: 0, outM, widthM: 1, depthM, fromM: 0 }) as GroundArea;

test('a copy stands a foot to the right; seen from above in front of all that the first one takes up', () => {
  expect(asideOf([area(0, 1)], 'front')).toEqual({ dxM: 0.3048, dOutM: 0 });
  expect(asideOf([], 'above')).toEqual({ dxM: 0.3048, dOutM: 0 });
  // From 0.2 m to 1.5 m out from the wall: 1.3 m and a foot further.
  expect(asideOf([area(0.5, 1), area(0.2, 0.4)], 'above')).toEqual({ dxM: 0, dOutM: 1.5 - 0.2 + 0.3048 });
});

test('copies that hang on each other hang on each other’s copies, and each has a name and an id of its own', () => {
  const tower = column('tower', { frontM: 1 });
  const sign = column('sign', { on: on('tower'), alsoOn: on('elsewhere') });
  const [one, other] = copiesOf(['tower', 'sign'], [sign, tower, column('elsewhere')], {
    dxM: 0.5,
    dOutM: 2,
  });
  expect(one).toMatchObject({ name: 'tower, another', frontM: 3 });
  expect((one as PieceOf<'packed-column'>).at.xM).toBeCloseTo(
    (tower as PieceOf<'packed-column'>).at.xM + 0.5,
    6,
  );
  expect(other?.on?.pieceId).toBe(one.id);
  expect(other?.alsoOn?.pieceId).toBe('elsewhere');
  expect(new Set(['tower', 'sign', one.id, other?.id]).size).toBe(4);
  // How far out what is carried is, its carrier says.
  expect(other?.frontM).toBeUndefined();
});

test('what hung on a piece that is gone says nothing of a carrier any more; the rest stays the same object', () => {
  const alone = column('alone');
  const left = without(
    [
      column('gone'),
      alone,
      column('a', { on: on('gone'), alsoOn: on('alone') }),
      column('b', { on: on('alone'), alsoOn: on('gone') }),
    ],
    ['gone'],
  );
  expect(left.map(({ id, on: first, alsoOn }) => [id, first?.pieceId, alsoOn?.pieceId])).toEqual([
    ['alone', undefined, undefined],
    ['a', undefined, 'alone'],
    ['b', 'alone', undefined],
  ]);
  expect(left[0]).toBe(alone);
  expect('on' in (left[1] as Piece)).toBe(false);
});
