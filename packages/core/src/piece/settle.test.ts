import { seededRandom } from '../quantity/random.ts';
import { settle } from './settle.ts';

const ball = (xM: number, yM: number, zM: number, rM: number) => ({ xM, yM, zM, rM, tieX: xM, tieY: yM });

/** Deepest overlap as a share of the two radii, by looking at every pair. */
function deepest(balls: ReturnType<typeof ball>[]): number {
  let worst = 0;
  balls.forEach((a, i) => {
    for (const b of balls.slice(i + 1)) {
      const apart = Math.hypot(a.xM - b.xM, a.yM - b.yM, a.zM - b.zM);
      worst = Math.max(worst, 1 - apart / (a.rM + b.rM));
    }
  });
  return worst;
}

test('two balls on one spot come apart, the small one further, and none goes behind the wall', () => {
  const balls = [ball(0, 1, 0.3, 0.2), ball(0.02, 1, 0.3, 0.1)];
  settle(balls);
  expect(deepest(balls)).toBeLessThan(0.3);
  expect(Math.abs((balls[1]?.xM ?? 0) - 0.02)).toBeGreaterThan(Math.abs(balls[0]?.xM ?? 0));
  for (const one of balls) expect(one.zM).toBeGreaterThanOrEqual(one.rM - 1e-9);
});

test('a heap loosens: the deepest overlap shrinks, nothing flies off its tie', () => {
  const random = seededRandom(5);
  const balls = Array.from({ length: 60 }, (_, i) =>
    ball(i * 0.05, 1 + random() * 0.3, 0.2 + random() * 0.2, 0.06 + random() * 0.1),
  );
  const before = deepest(balls);
  settle(balls);
  expect(deepest(balls)).toBeLessThan(before * 0.7);
  for (const one of balls) expect(Math.hypot(one.xM - one.tieX, one.yM - one.tieY)).toBeLessThan(0.6);
});

test('nothing sinks into the floor', () => {
  const low = [ball(0, 0.05, 0.3, 0.2)];
  settle(low);
  expect(low[0]?.yM).toBeGreaterThanOrEqual(0.2);
});

test('nothing to settle is no trouble', () => {
  expect(() => settle([])).not.toThrow();
});
