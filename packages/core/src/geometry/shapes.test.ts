import { hungLine } from './catenary.ts';
import { bentRod, WIDEST_SPAN } from './elastica.ts';
import { snaked } from './line.ts';
import { bowSpan, dupletsFor, pairBow } from './pair-arch.ts';

// Planar elastica clamped upright: reference values agreed on by elliptic-integral shooting, collocation and a
// discrete chain; the rectangular elastica (0.456947, 0.381380, thrust 13.7504) and the half circle are classical.
test.each([
  [0.2, 0.4226, 27.72, 8.22],
  [0.25, 0.4183, 25.06, 7.63],
  [0.3, 0.4122, 22.42, 7.05],
  [0.35, 0.4044, 19.77, 6.47],
  [0.4, 0.3948, 17.04, 5.9],
  [0.45, 0.3832, 14.17, 5.32],
  [0.456947, 0.38138, 13.7504, 5.244],
  [0.5, 0.3694, 11.05, 4.75],
  [0.55, 0.3532, 7.57, 4.17],
  [0.6, 0.3342, 3.52, 3.58],
  [WIDEST_SPAN, 1 / Math.PI, 0, Math.PI],
])('a rod with its bases %d of its length apart', (span, rise, thrust, curvature) => {
  const rod = bentRod(1, span);
  expect(Math.abs(rod.rise - rise)).toBeLessThan(6e-5);
  expect(Math.abs(rod.thrust - thrust)).toBeLessThan(6e-3);
  expect(Math.abs(rod.crownCurvature - curvature)).toBeLessThan(6e-3);
  const drawn = rod.points.slice(1).reduce((sum, p, i) => {
    const before = rod.points[i] as { x: number; y: number };
    return sum + Math.hypot(p.x - before.x, p.y - before.y);
  }, 0);
  expect(drawn).toBeCloseTo(1, 3);
});

test('its own weight lowers a rod by less than 1 % and pushes the bases far harder', () => {
  // At 0.6 of its length and w L³ / EI = 40: thrust from 3.52 to 10.6, by independent solvers.
  const [light, heavy] = [bentRod(1, 0.6), bentRod(1, 0.6, 40)];
  expect(heavy.thrust).toBeCloseTo(10.6, 1);
  expect(heavy.rise).toBeLessThan(light.rise);
  expect(heavy.rise).toBeGreaterThan(light.rise * 0.99);
  // Virtual work: more weight by a little does as much work as the shape gives, so energy has no slope at the answer.
  const energy = (rod: typeof heavy) => {
    const h = 1 / (rod.points.length - 1);
    const bends = rod.points.slice(1, -1).map((p, i) => {
      const [a, b] = [rod.points[i], rod.points[i + 2]] as [typeof p, typeof p];
      const turn = Math.atan2(b.y - p.y, b.x - p.x) - Math.atan2(p.y - a.y, p.x - a.x);
      return (turn / h) ** 2 / 2;
    });
    return (
      bends.reduce((sum, one) => sum + one * h, 0) + 40 * rod.points.reduce((sum, p) => sum + p.y * h, 0)
    );
  };
  expect(energy(heavy)).toBeLessThan(energy(light));
  expect(energy(heavy)).toBeLessThan(energy(bentRod(1, 0.6, 80)));
});

test('narrow arches bulge beyond their bases; a span too wide or too narrow is refused', () => {
  const widest = Math.max(...bentRod(10, 2).points.map((p) => p.x));
  expect(widest / 10 - 0.1).toBeCloseTo(0.038, 3);
  expect(() => bentRod(10, 6.4)).toThrow(RangeError);
  expect(() => bentRod(10, 1)).toThrow(RangeError);
});

// Length over span of the catenary y = a cosh(x/a): textbook formula, worked by an independent root finder.
test.each([
  [0.1, 1.02619],
  [0.2, 1.09972],
  [0.25, 1.15079],
  [0.3, 1.20941],
  [0.4, 1.34419],
  [0.5, 1.49583],
  [0.75, 1.91756],
  [1, 2.37102],
])('a line that sags %d of its span', (sag, length) => {
  const line = hungLine({ x: 0, y: 2 }, { x: 3, y: 2 }, 3 * sag);
  expect(line.length / 3).toBeCloseTo(length, 5);
});

test('a line between unequal ends keeps its ends and its sag, and its points measure its length', () => {
  const line = hungLine({ x: 4, y: 1 }, { x: 1, y: 2 }, 0.4);
  const [first, last] = [line.points[0], line.points.at(-1)];
  expect([first?.x, first?.y, last?.x]).toEqual([4, 1, 1]);
  expect(last?.y).toBeCloseTo(2, 9);
  expect(line.points[24]?.y).toBeCloseTo(1.5 - 0.4, 6);
  const measured = line.points.slice(1).reduce((sum, p, i) => {
    const before = line.points[i] as { x: number; y: number };
    return sum + Math.hypot(p.x - before.x, p.y - before.y);
  }, 0);
  expect(measured / line.length).toBeCloseTo(1, 3);
  expect(hungLine({ x: 0, y: 0 }, { x: 3, y: 4 }, 0).length).toBe(5);
});

test('duplets of 8 and 7½ in.: fifteen turn 57° and span about 81 in. with 10 in. of rise', () => {
  const bow = pairBow(8, 7.5);
  expect(bow.gap).toBeCloseTo(5.48, 2);
  expect(bow.pitch).toBeCloseTo(5.83, 2);
  expect(bow.innerRadius).toBeCloseTo(82.2, 1);
  expect((15 * bow.anglePerDuplet * 180) / Math.PI).toBeCloseTo(57.1, 1);
  expect(bowSpan(bow, 15).span).toBeCloseTo(81.2, 1);
  expect(bowSpan(bow, 15).rise).toBeCloseTo(10.3, 1);
  expect(dupletsFor(bow, 81)).toBe(15);
  expect(dupletsFor(bow, 400)).toBeUndefined();
});

/**
 * By contact: each duplet's balloons, seen along the string, stand 45° to either side alternately; the next outer
 * balloon is slid along the line until it touches the one before.
 */
test('the pitch of crossed duplets is where neighbouring outer balloons touch', () => {
  const [D, d] = [8, 7.5];
  const side = ((D + d) / 2 / 2) * Math.SQRT1_2;
  let [low, high] = [0, 2 * D];
  for (let step = 0; step < 60; step++) {
    const pitch = (low + high) / 2;
    const apart = Math.hypot(pitch, 2 * side);
    if (apart < D) low = pitch;
    else high = pitch;
  }
  expect(pairBow(D, d).pitch).toBeCloseTo(low, 6);
});

test('snaking takes the arc length of its sine, for small swings about L (1 + (π a/λ)²)', () => {
  const chain = [
    { x: 0, y: 0 },
    { x: 6, y: 0 },
  ];
  const length = (points: { x: number; y: number }[]) =>
    points.slice(1).reduce((sum, p, i) => {
      const before = points[i] as { x: number; y: number };
      return sum + Math.hypot(p.x - before.x, p.y - before.y);
    }, 0);
  expect(length(snaked(chain, 0.05, 1.5)) / 6).toBeCloseTo(1 + ((Math.PI * 0.05) / 1.5) ** 2, 3);
  // By quadrature: ∫ sqrt(1 + (2π a/λ cos)²).
  const slope = (2 * Math.PI * 0.3) / 1.5;
  const exact =
    Array.from({ length: 4000 }, (_, i) =>
      Math.hypot(1, slope * Math.cos((2 * Math.PI * (i + 0.5)) / 4000)),
    ).reduce((a, b) => a + b, 0) / 4000;
  expect(length(snaked(chain, 0.3, 1.5)) / 6 / exact).toBeCloseTo(1, 2);
});
