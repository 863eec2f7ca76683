import type { Piece } from '@early-lantern/contract';
import { placementOf, recipeOf } from '../piece/recipe-of.ts';
import { jobOf, made } from '../test/carried.ts';
import { carriedOn } from './handed-down.ts';
import { massOf } from './mass.ts';

const table = (count: number) =>
  made('furnishing', 'tables', {
    at: { xM: 3, yM: 0 },
    items: [{ name: 'Table', count, widthM: 1.8, heightM: 0.75, massKg: 14, minutesEach: 2 }],
  } as object);
const tower = (id: string, xM: number) => made('tower', id, { at: { xM, yM: 0 } });
const onTable = { pieceId: 'tables', part: 'top' as const };
const loads = (carrier: Piece, ...pieces: Piece[]) => carriedOn(carrier, jobOf([carrier, ...pieces]));

test('of two tables alike each bears half; weight is what is dressed, what carries it and what is attached', () => {
  const attachments = [{ id: 'lights', name: 'Lights', massKg: 0.4, at: 0.5 }];
  const kit = made('table-arch', 'kit', { on: onTable, attachments });
  const { dressingKg, gearKg } = massOf(recipeOf(kit, undefined));
  const [one] = loads(table(1), kit);
  // Dots of a hundredth of a kilogram at most besides.
  expect(one?.massKg).toBeGreaterThanOrEqual(dressingKg + gearKg + 0.4);
  expect(one?.massKg).toBeLessThan(dressingKg + gearKg + 0.41);
  const [half] = loads(table(2), kit);
  expect(half?.massKg).toBeCloseTo((one?.massKg as number) / 2, 9);
  expect(half?.dragFrontM2).toBeCloseTo((one?.dragFrontM2 as number) / 2, 9);
});

test('things set on things hand their own weight down: 2 × 3 kg', () => {
  const vases = made('furnishing', 'vases', {
    on: onTable,
    items: [{ name: 'Vase', count: 2, widthM: 0.2, heightM: 0.3, massKg: 3, minutesEach: 1 }],
  } as object);
  const [load] = loads(table(1), vases);
  expect(load?.massKg).toBeCloseTo(6, 6);
  // Boxes of 0.2 m by 0.3 m, drag 1.2 (from memory, as the engine has it).
  expect(load?.dragFrontM2).toBeCloseTo(1.2 * 2 * 0.2 * 0.3, 9);
});

test('what is carried by what is carried comes down too; between two carriers half to each', () => {
  const [left, right] = [tower('left', 3), tower('right', 5)];
  const arch = made('pair-arch', 'arch', {
    at: { xM: 4, yM: 1.7 },
    on: { pieceId: 'left', part: 'layer' },
    alsoOn: { pieceId: 'right', part: 'layer' },
  });
  const round = made('accent', 'round', { on: { pieceId: 'arch', part: 'body' } });
  const file = jobOf([left, right, arch, round]);
  const [ofArch, ofRound] = carriedOn(left, file);
  expect([ofArch?.name, ofRound?.name]).toEqual(['arch', 'round']);
  expect(ofArch?.massKg).toBeCloseTo(massOf(recipeOf(arch, undefined)).dressingKg / 2, 9);
  expect(ofRound?.massKg).toBeCloseTo(massOf(recipeOf(round, undefined)).dressingKg / 2, 9);
  const { balloons } = placementOf(arch, undefined);
  const middle = (pick: (ball: { xM: number; yM: number }) => number) =>
    balloons.reduce((sum, ball) => sum + ball.rM ** 3 * pick(ball), 0) /
    balloons.reduce((sum, { rM }) => sum + rM ** 3, 0);
  expect(ofArch?.xM).toBeCloseTo(
    middle(({ xM }) => xM),
    9,
  );
  expect(ofArch?.yM).toBeCloseTo(
    middle(({ yM }) => yM),
    9,
  );
});

test('before a solid wall of panels a garland meets no wind of its own; beside it all of it', () => {
  const wall = made('panel-wall', 'wall', {
    at: { xM: 3, yM: 0 },
    panelIn: 20,
    columns: 4,
    rows: 4,
  } as object);
  const garland = (xM: number) =>
    made('organic-garland', 'garland', {
      line: [0.6, 1.4].map((yM) => ({ xM, yM })),
      widthM: 0.4,
      on: { pieceId: 'wall', part: 'face' },
    } as object);
  const of = (piece: Piece) => carriedOn(wall, jobOf([wall, piece]))[0]?.dragFrontM2 ?? Number.NaN;
  const beside = of(garland(6));
  const { visibleWidthM, lengthM } = recipeOf(garland(6), undefined);
  expect(beside).toBeCloseTo(1.2 * 0.85 * visibleWidthM * lengthM, 6);
  expect(of(garland(3))).toBeLessThan(0.35 * beside);
});

test('a sign weighs in the middle of its board, and the wind meets it there', () => {
  const pole = tower('pole', 3);
  const sign = made('backdrop', 'sign', {
    what: 'sign',
    at: { xM: 3.2, yM: 0.2 },
    widthM: 0.8,
    heightM: 1.6,
    unitHeightM: 0.6,
    on: { pieceId: 'pole', part: 'pole' },
  });
  const [load] = carriedOn(pole, jobOf([pole, sign]));
  expect(load?.xM).toBeCloseTo(3.2, 1);
  expect(load?.yM).toBeCloseTo(0.2 + 1.6 - 0.3, 1);
  // A board of 0.8 m by 0.6 m, drag 1.2.
  expect(load?.dragFrontM2).toBeCloseTo(1.2 * 0.8 * 0.6, 9);
});
