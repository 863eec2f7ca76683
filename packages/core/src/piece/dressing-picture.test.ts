import type { OrganicGarland } from '@early-lantern/contract';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { garland } from '../test/samples.ts';
import { designOf } from './design.ts';
import { pictureOf } from './picture-of.ts';
import type { DressedBalloon } from './placement.ts';
import { schoolsOf } from './recipe-of.ts';

const draw = (more: Partial<OrganicGarland> = {}) => {
  const piece = garland(16, more);
  return pictureOf(piece).balloons.filter((ball) => ball.role === 'base');
};
const along = (balls: ReturnType<typeof draw>) => [...balls].sort((a, b) => a.xM - b.xM);
const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

test('a garland that thins carries its large balloons at the thick end and stays narrower at the tip', () => {
  // On the mean of some deals: one by itself may have it less.
  const deals = [1, 2, 3, 4].map((seed) => along(draw({ taper: 0.4, widthM: 0.7, seed })));
  const third = (balls: ReturnType<typeof draw>, end: 'thick' | 'thin') =>
    end === 'thick'
      ? balls.slice(0, Math.floor(balls.length / 3))
      : balls.slice(-Math.floor(balls.length / 3));
  const sizes = (end: 'thick' | 'thin') =>
    mean(deals.flatMap((balls) => third(balls, end)).map(({ rM }) => rM));
  expect(sizes('thick')).toBeGreaterThan(sizes('thin') * 1.1);
  const reach = (end: 'thick' | 'thin') =>
    mean(deals.flatMap((balls) => third(balls, end)).map(({ yM }) => Math.abs(yM - 1.5)));
  expect(reach('thick')).toBeGreaterThan(reach('thin'));
});

test('an even mix spreads each colour along the line; blocks keep neighbours alike more often', () => {
  const runs = (plan: OrganicGarland['colourPlan']) => {
    const balls = along(draw({ colourPlan: plan }));
    return balls.filter((ball, i) => ball.colour === balls[i - 1]?.colour).length / balls.length;
  };
  expect(runs('blocks')).toBeGreaterThan(runs('even'));
  const balls = along(draw({ colourPlan: 'even' }));
  const half = Math.floor(balls.length / 2);
  for (const colour of ['lagoon', 'chalk', 'oat']) {
    const share = (part: typeof balls) => part.filter((ball) => ball.colour === colour).length / part.length;
    expect(Math.abs(share(balls.slice(0, half)) - share(balls.slice(half)))).toBeLessThan(0.12);
  }
});

test('the picture keeps to the line from end to end', () => {
  const balls = draw();
  const length = 16 * METRES_PER_FOOT;
  expect(Math.min(...balls.map((ball) => ball.xM))).toBeLessThan(0.4);
  expect(Math.max(...balls.map((ball) => ball.xM))).toBeGreaterThan(length - 0.4);
  expect(Math.min(...balls.map((ball) => ball.xM - ball.rM))).toBeGreaterThan(-0.5);
});

test('another seed deals anew, the counts stay', () => {
  const [first, second] = [draw({ seed: 1 }), draw({ seed: 2 })];
  expect(second).toHaveLength(first.length);
  expect(second).not.toEqual(first);
});

test('a garland made a little longer keeps how it was dealt at its thick end; raised corners have their clusters on them', () => {
  const based = (piece: OrganicGarland) =>
    (designOf(piece, schoolsOf(piece)).placement().dressed?.[0] ?? []).filter(({ role }) => role === 'base');
  const [before, after] = [based(garland(10, { seed: 4 })), based(garland(10.25, { seed: 4 }))];
  expect(after.length).toBeGreaterThan(before.length);
  for (let i = 0; i < 10; i++) {
    const [one, other] = [before[i], after[i]] as [DressedBalloon, DressedBalloon];
    expect(Math.hypot(one.xM - other.xM, one.yM - other.yM, one.zM - other.zM)).toBeLessThan(0.08);
  }
  const line = [
    { xM: 0, yM: 0.5 },
    { xM: 0, yM: 2.5 },
    { xM: 3, yM: 2.5 },
  ];
  const atCorner = (raisedCorners: boolean) => {
    const ties = based(garland(10, { line, raisedCorners })).map(({ tieX, tieY }) =>
      Math.hypot(tieX, tieY - 2.5),
    );
    return ties.filter((far) => far < 0.03).length;
  };
  // Two clusters of five or six balloons.
  expect(atCorner(true) - atCorner(false)).toBeGreaterThanOrEqual(8);
});
