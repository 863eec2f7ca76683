import type { OrganicGarland } from '@early-lantern/contract';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { garland } from '../test/samples.ts';
import { pictureOf } from './picture-of.ts';

const draw = (more: Partial<OrganicGarland> = {}) => {
  const piece = garland(16, more);
  return pictureOf(piece).balloons.filter((ball) => ball.role === 'base');
};
const along = (balls: ReturnType<typeof draw>) => [...balls].sort((a, b) => a.xM - b.xM);
const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

test('a garland that thins carries its large balloons at the thick end and stays narrower at the tip', () => {
  const balls = along(draw({ taper: 0.4, widthM: 0.7 }));
  const third = Math.floor(balls.length / 3);
  const [thick, thin] = [balls.slice(0, third), balls.slice(-third)];
  expect(mean(thick.map((ball) => ball.rM))).toBeGreaterThan(mean(thin.map((ball) => ball.rM)) * 1.15);
  const reach = (part: typeof balls) => mean(part.map((ball) => Math.abs(ball.yM - 1.5)));
  expect(reach(thick)).toBeGreaterThan(reach(thin));
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
