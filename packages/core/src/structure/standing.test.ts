import type { HoldCase } from '@early-lantern/contract';
import fc from 'fast-check';
import { dynamicPressure } from '../air/wind.ts';
import {
  factorAt,
  type governing,
  gustFor,
  pushAt,
  type Standing,
  standingCases,
  tieForce,
  usualRules,
} from './standing.ts';

/** A column of 20 kg in all on a plate 0.5 m square, 2 m high. */
const column = (more: Partial<Standing> = {}): Standing => ({
  feet: [{ xM: 0, massKg: 18, widthM: 0.5, depthM: 0.5 }],
  isJoined: true,
  massKg: 2,
  xM: 0,
  dragFrontM2: 0.6,
  dragSideM2: 0.6,
  windHeightM: 1,
  topM: 2,
  pullAtTopN: 0,
  pushAtFootN: 0,
  friction: 0.5,
  ties: undefined,
  ...more,
});

const caseOf = (standing: Standing, label: string) =>
  standingCases(standing, usualRules, true).find((one) => one.label === label) as NonNullable<
    ReturnType<typeof governing>
  >;

test('a base worked by hand: 20 kg · 9.81 · 0.25 m against 0.6 m² · q · 1 m', () => {
  const front = caseOf(column(), 'tips over to the front');
  expect(front.resists).toBeCloseTo(20 * 9.81 * 0.25, 9);
  const q = dynamicPressure(8);
  expect(factorAt(front, q)).toBeCloseTo(49.05 / (0.6 * q), 9);
  // Takes down where the factor is 2: v = √(2 · 49.05 / (2 · 0.6 · 1.225)).
  expect(gustFor(front, 2)).toBeCloseTo(Math.sqrt((2 * 49.05) / (2 * 0.6 * 1.225)), 6);
  const bumped = caseOf(column(), 'tips over when bumped');
  expect(factorAt(bumped, 0)).toBeCloseTo(49.05 / 60, 9);
});

test('a garland that curves to one side tips that way sooner', () => {
  const curved = column({ xM: 0.2 });
  const q = dynamicPressure(5);
  expect(factorAt(caseOf(curved, 'tips over to the right'), q)).toBeLessThan(
    factorAt(caseOf(curved, 'tips over to the left'), q),
  );
  // Beyond the base's edge its own weight pushes: 2 kg · 9.81 · (0.4 − 0.25).
  expect(caseOf(column({ xM: 0.4 }), 'tips over to the right').pushes).toBeCloseTo(2 * 9.81 * 0.15, 9);
});

test('a tie line holds its anchor less the hand’s pull, along the slope, by hand', () => {
  // 3 up, 4 out: cosine 0.8; two lines of 150 N less 20 N each.
  const ties = { perSide: 2, heightM: 3, reachM: 4, sideM: 0, anchorN: 150 };
  expect(tieForce(ties)).toBeCloseTo(2 * 130 * 0.8, 9);
  // A stake 12 to the side makes a line of 13 by Pythagoras (3, 4, 12): 4/13 of the pull acts across.
  expect(tieForce({ ...ties, sideM: 12 })).toBeCloseTo((2 * 130 * 4) / 13, 9);
  const front = caseOf(column({ ties }), 'tips over to the front');
  expect(front.resists).toBeCloseTo(49.05 + 208 * 3, 9);
});

test('feet that are not joined stand for themselves', () => {
  const feet = [-1, 1].map((xM) => ({ xM, massKg: 9, widthM: 0.5, depthM: 0.5 }));
  const joined = factorAt(caseOf(column({ feet }), 'tips over to the left'), 30);
  const apart = factorAt(caseOf(column({ feet, isJoined: false }), 'tips over to the left'), 30);
  expect(apart).toBeLessThan(joined);
});

const some = fc.record({
  ballast: fc.double({ min: 0, max: 80, noNaN: true }),
  gust: fc.double({ min: 0, max: 30, noNaN: true }),
  xM: fc.double({ min: -0.6, max: 0.6, noNaN: true }),
  spread: fc.double({ min: 0, max: 2, noNaN: true }),
  joined: fc.boolean(),
});

const made = ({
  ballast,
  xM,
  spread,
  joined,
}: {
  ballast: number;
  xM: number;
  spread: number;
  joined: boolean;
}) =>
  column({
    xM,
    isJoined: joined,
    feet: (spread > 0.5 ? [-spread / 2, spread / 2] : [0]).map((at) => ({
      xM: at,
      massKg: 5 + ballast,
      widthM: 0.5,
      depthM: 0.4,
    })),
  });

const factors = (standing: Standing, gust: number) =>
  standingCases(standing, usualRules, true).map((one) => factorAt(one, dynamicPressure(gust)));

test('more wind never raises a factor, more ballast never lowers one', () => {
  fc.assert(
    fc.property(some, fc.double({ min: 0, max: 10, noNaN: true }), (given, more) => {
      const now = factors(made(given), given.gust);
      const windier = factors(made(given), given.gust + more);
      const heavier = factors(made({ ...given, ballast: given.ballast + more }), given.gust);
      now.forEach((factor, i) => {
        expect(windier[i] as number).toBeLessThanOrEqual(factor + 1e-9);
        expect(heavier[i] as number).toBeGreaterThanOrEqual(factor - 1e-9);
      });
    }),
  );
});

test('a mirrored piece gives mirrored answers', () => {
  fc.assert(
    fc.property(some, (given) => {
      const named = (standing: Standing, label: string) =>
        factorAt(caseOf(standing, label), dynamicPressure(given.gust));
      const mirrored = made({ ...given, xM: -given.xM });
      expect(named(mirrored, 'tips over to the left')).toBeCloseTo(
        named(made(given), 'tips over to the right'),
        9,
      );
    }),
  );
});

test('at the gust found for a factor, the factor is that', () => {
  fc.assert(
    fc.property(some, fc.double({ min: 1, max: 4, noNaN: true }), (given, wanted) => {
      for (const one of standingCases(made(given), usualRules, true)) {
        const gust = gustFor(one, wanted);
        if (gust > 0 && Number.isFinite(gust))
          expect(factorAt(one, dynamicPressure(gust))).toBeCloseTo(wanted, 6);
      }
    }),
  );
});

test('between the points of a curve a push grows in a straight line; beyond the last one nothing holds', () => {
  const one: HoldCase = {
    label: 'leans',
    resists: 100,
    pushes: 5,
    perPa: 2,
    unit: 'N·m',
    required: 2,
    curve: [
      { pa: 0, pushes: 10 },
      { pa: 20, pushes: 30 },
      { pa: 30, pushes: 80 },
    ],
  };
  // 5 + 2 q, and the curve besides.
  expect([0, 10, 20, 25, 30].map((pa) => pushAt(one, pa))).toEqual([15, 45, 75, 110, 145]);
  expect(pushAt(one, 31)).toBe(Infinity);
  expect(factorAt(one, 10)).toBeCloseTo(100 / 45, 9);
  const { curve: _, ...even } = one;
  expect(pushAt(even, 10)).toBe(25);
});
