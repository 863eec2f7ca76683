/** Soft balls pushed apart until they only touch: enough for a picture, no claim on mechanics. */

interface SoftBall {
  xM: number;
  yM: number;
  zM: number;
  rM: number;
  tieX: number;
  tieY: number;
}

const ROUNDS = 24;
/** Rounds for which a list of near pairs stays good. */
const PAIRS_KEPT = 8;
/** Share of an overlap that two balloons keep, since latex gives. */
const GIVE = 0.06;
/** What is nearer than so many times touching may touch soon. */
const NEAR = 1.3;

/** Where all balls are, each figure of them in a row of its own: gone through with every edit of a line. */
interface Rows {
  x: Float64Array;
  y: Float64Array;
  z: Float64Array;
  r: Float64Array;
}

/**
 * Moves the balls in place: overlapping ones apart (the lighter moves more), each held to its tie by a neck,
 * none behind the wall at z = 0 or below the floor at y = 0.
 */
export function settle(balls: readonly SoftBall[]): void {
  const row = (figure: (ball: SoftBall) => number) => Float64Array.from(balls, figure);
  const rows: Rows = {
    x: row(({ xM }) => xM),
    y: row(({ yM }) => yM),
    z: row(({ zM }) => zM),
    r: row(({ rM }) => rM),
  };
  const [tieX, tieY] = [row((ball) => ball.tieX), row((ball) => ball.tieY)];
  let pairs: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    if (round % PAIRS_KEPT === 0) pairs = nearPairs(rows);
    pushApart(rows, pairs);
    holdToTies(rows, tieX, tieY);
  }
  balls.forEach((ball, i) => {
    ball.xM = rows.x[i] as number;
    ball.yM = rows.y[i] as number;
    ball.zM = rows.z[i] as number;
  });
}

/** Pairs close enough to touch soon, one number after the other, by a sweep from left to right. */
function nearPairs({ x, y, z, r }: Rows): number[] {
  const left = (i: number) => (x[i] as number) - (r[i] as number);
  const sorted = Array.from(x, (_, i) => i).sort((a, b) => left(a) - left(b));
  const pairs: number[] = [];
  for (let i = 0; i < sorted.length; i++) {
    const a = sorted[i] as number;
    const [ay, az, ar] = [y[a] as number, z[a] as number, r[a] as number];
    const reach = (x[a] as number) + ar * NEAR;
    for (let j = i + 1; j < sorted.length; j++) {
      const b = sorted[j] as number;
      if (left(b) > reach) break;
      const near = (ar + (r[b] as number)) * NEAR;
      if (Math.abs(ay - (y[b] as number)) < near && Math.abs(az - (z[b] as number)) < near) pairs.push(a, b);
    }
  }
  return pairs;
}

function pushApart({ x, y, z, r }: Rows, pairs: readonly number[]): void {
  for (let p = 0; p < pairs.length; p += 2) {
    const [a, b] = [pairs[p] as number, pairs[p + 1] as number];
    const [ar, br] = [r[a] as number, r[b] as number];
    const dx = (x[a] as number) - (x[b] as number);
    const dy = (y[a] as number) - (y[b] as number);
    const dz = (z[a] as number) - (z[b] as number);
    const touching = (ar + br) * (1 - GIVE);
    const square = dx * dx + dy * dy + dz * dz;
    if (square >= touching * touching) continue;
    const distance = Math.sqrt(square) || 1e-6;
    const shareA = br / (ar + br);
    const step = ((touching - distance) * 0.5) / distance;
    const [stepA, stepB] = [step * shareA, step * (1 - shareA)];
    x[a] = (x[a] as number) + dx * stepA;
    y[a] = (y[a] as number) + dy * stepA;
    z[a] = (z[a] as number) + dz * stepA;
    x[b] = (x[b] as number) - dx * stepB;
    y[b] = (y[b] as number) - dy * stepB;
    z[b] = (z[b] as number) - dz * stepB;
  }
}

function holdToTies({ x, y, z, r }: Rows, tieX: Float64Array, tieY: Float64Array): void {
  for (let i = 0; i < x.length; i++) {
    const rM = r[i] as number;
    const neck = rM * 1.15;
    const dx = (x[i] as number) - (tieX[i] as number);
    const dy = (y[i] as number) - (tieY[i] as number);
    const reach = Math.sqrt(dx * dx + dy * dy);
    const back = reach > neck ? (0.12 * (reach - neck)) / reach : 0;
    x[i] = (x[i] as number) - dx * back;
    y[i] = Math.max((y[i] as number) - dy * back, rM);
    z[i] = Math.max(z[i] as number, rM);
  }
}
