/** A smooth line through points, and travel along it. Metres throughout. */

export interface XY {
  x: number;
  y: number;
}

/** A place on a line: position, unit tangent, distance from the start. */
export interface Station extends XY {
  tx: number;
  ty: number;
  along: number;
}

const STEPS_PER_SPAN = 24;

/** Point at parameter `t` (0 to 1) of the Catmull-Rom span from `b` to `c`, centripetal knots (Barry and Goldman, 1988). */
function spanPoint(a: XY, b: XY, c: XY, d: XY, t: number): XY {
  const knot = (p: XY, q: XY) => Math.max(Math.sqrt(Math.hypot(q.x - p.x, q.y - p.y)), 1e-6);
  const t1 = knot(a, b);
  const t2 = t1 + knot(b, c);
  const t3 = t2 + knot(c, d);
  const at = t1 + (t2 - t1) * t;
  const mix = (p: XY, q: XY, from: number, to: number): XY => {
    const w = (at - from) / (to - from);
    return { x: p.x + (q.x - p.x) * w, y: p.y + (q.y - p.y) * w };
  };
  const ab = mix(a, b, 0, t1);
  const bc = mix(b, c, t1, t2);
  const cd = mix(c, d, t2, t3);
  return mix(mix(ab, bc, 0, t2), mix(bc, cd, t1, t3), t1, t2);
}

/** The reflection that continues a line beyond its end. */
const beyond = (end: XY, inner: XY): XY => ({ x: 2 * end.x - inner.x, y: 2 * end.y - inner.y });

/**
 * The smooth line as a fine chain of points. It passes through every given point, and scaling the points
 * scales it exactly.
 * @param points two or more; repeated neighbours are dropped
 */
export function smoothLine(points: readonly XY[]): XY[] {
  const apart = points.filter((p, i) => {
    const before = points[i - 1];
    return !before || Math.hypot(p.x - before.x, p.y - before.y) > 1e-9;
  });
  const [first, second] = apart;
  if (!first) return [];
  if (!second) return [first];
  const last = apart[apart.length - 1] as XY;
  const padded = [beyond(first, second), ...apart, beyond(last, apart[apart.length - 2] as XY)];
  const chain: XY[] = [first];
  for (let i = 1; i + 2 < padded.length; i++) {
    for (let step = 1; step <= STEPS_PER_SPAN; step++) {
      chain.push(
        spanPoint(
          padded[i - 1] as XY,
          padded[i] as XY,
          padded[i + 1] as XY,
          padded[i + 2] as XY,
          step / STEPS_PER_SPAN,
        ),
      );
    }
  }
  return chain;
}

/** Length of a chain of points. */
export function chainLength(chain: readonly XY[]): number {
  let length = 0;
  for (let i = 1; i < chain.length; i++) {
    const a = chain[i - 1] as XY;
    const b = chain[i] as XY;
    length += Math.hypot(b.x - a.x, b.y - a.y);
  }
  return length;
}

/** Places at the given distances (ascending, clamped to the chain's ends). */
export function stationsAt(chain: readonly XY[], distances: readonly number[]): Station[] {
  const stations: Station[] = [];
  let i = 1;
  let passed = 0;
  for (const distance of distances) {
    for (;;) {
      const a = chain[i - 1] as XY;
      const b = (chain[i] ?? a) as XY;
      const span = Math.hypot(b.x - a.x, b.y - a.y);
      if (passed + span >= distance || i >= chain.length - 1) {
        const w = span > 0 ? Math.min(1, Math.max(0, (distance - passed) / span)) : 0;
        const inverse = span > 0 ? 1 / span : 0;
        stations.push({
          x: a.x + (b.x - a.x) * w,
          y: a.y + (b.y - a.y) * w,
          tx: (b.x - a.x) * inverse,
          ty: (b.y - a.y) * inverse,
          along: distance,
        });
        break;
      }
      passed += span;
      i += 1;
    }
  }
  return stations;
}

/** The points moved so that the smooth line has the wanted length, its first point kept. */
export function scaleToLength(points: readonly XY[], wanted: number): XY[] {
  const length = chainLength(smoothLine(points));
  const start = points[0];
  if (!start || length === 0) return [...points];
  const k = wanted / length;
  return points.map((p) => ({ x: start.x + (p.x - start.x) * k, y: start.y + (p.y - start.y) * k }));
}

const SNAKE_STEPS_PER_WAVE = 24;

/**
 * A chain swung to both sides of itself in a sine of the given amplitude and wavelength, metres. Its length is what
 * the base takes: for small swings about `L (1 + (π a/λ)²)`.
 * @param from, to shares of its length between which it swings, in whole half waves; straight outside them
 */
export function snaked(
  chain: readonly XY[],
  amplitudeM: number,
  wavelengthM: number,
  from = 0,
  to = 1,
): XY[] {
  const length = chainLength(chain);
  const spanM = Math.max(0, to - from) * length;
  const isPartly = from > 0 || to < 1;
  // Where it stops swinging it is back on its line.
  const waveM = isPartly ? (2 * spanM) / Math.max(1, Math.round((2 * spanM) / wavelengthM)) : wavelengthM;
  const steps = Math.max(2, Math.ceil((length / wavelengthM) * SNAKE_STEPS_PER_WAVE));
  const distances = Array.from({ length: steps + 1 }, (_, i) => (i * length) / steps);
  return stationsAt(chain, distances).map(({ x, y, tx, ty, along }) => {
    const since = along - from * length;
    const swing = since >= 0 && since <= spanM ? amplitudeM * Math.sin((2 * Math.PI * since) / waveM) : 0;
    return { x: x - ty * swing, y: y + tx * swing };
  });
}

/** The place of a chain that is nearest to a point: how far along it, and how far off, m. */
export function nearestOnChain(chain: readonly XY[], { x, y }: XY): { along: number; far: number } {
  let [passed, along, least] = [0, 0, Infinity];
  chain.forEach((point, i) => {
    const before = chain[i - 1] ?? point;
    const [dx, dy] = [point.x - before.x, point.y - before.y];
    const long = Math.hypot(dx, dy);
    const share =
      long > 0 ? Math.min(1, Math.max(0, ((x - before.x) * dx + (y - before.y) * dy) / long ** 2)) : 0;
    const far = Math.hypot(before.x + share * dx - x, before.y + share * dy - y);
    if (far < least) [along, least] = [passed + share * long, far];
    passed += long;
  });
  return { along, far: least };
}

/** Inner points of a line at which it turns by more than an angle, radians. */
export function sharpTurns<P extends { xM: number; yM: number }>(line: readonly P[], overRad: number): P[] {
  return line.filter((point, i) => {
    const [before, after] = [line[i - 1], line[i + 1]];
    if (!before || !after) return false;
    const into = Math.atan2(point.yM - before.yM, point.xM - before.xM);
    const out = Math.atan2(after.yM - point.yM, after.xM - point.xM);
    const turn = Math.abs(((out - into + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
    return turn > overRad;
  });
}
