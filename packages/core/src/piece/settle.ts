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

/**
 * Moves the balls in place: overlapping ones apart (the lighter moves more), each held to its tie by a neck,
 * none behind the wall at z = 0 or below the floor at y = 0.
 */
export function settle(balls: SoftBall[]): void {
  let pairs: [SoftBall, SoftBall][] = [];
  for (let round = 0; round < ROUNDS; round++) {
    if (round % PAIRS_KEPT === 0) pairs = nearPairs(balls);
    for (const [a, b] of pairs) pushApart(a, b);
    for (const ball of balls) holdToTie(ball);
  }
}

/** Pairs close enough to touch soon, by a sweep from left to right. */
function nearPairs(balls: readonly SoftBall[]): [SoftBall, SoftBall][] {
  const sorted = [...balls].sort((a, b) => a.xM - a.rM - (b.xM - b.rM));
  const pairs: [SoftBall, SoftBall][] = [];
  for (let i = 0; i < sorted.length; i++) {
    const a = sorted[i] as SoftBall;
    for (let j = i + 1; j < sorted.length; j++) {
      const b = sorted[j] as SoftBall;
      if (b.xM - b.rM > a.xM + a.rM * 1.3) break;
      const near = (a.rM + b.rM) * 1.3;
      if (Math.abs(a.yM - b.yM) < near && Math.abs(a.zM - b.zM) < near) pairs.push([a, b]);
    }
  }
  return pairs;
}

function pushApart(a: SoftBall, b: SoftBall): void {
  const dx = a.xM - b.xM;
  const dy = a.yM - b.yM;
  const dz = a.zM - b.zM;
  const touching = (a.rM + b.rM) * (1 - GIVE);
  const square = dx * dx + dy * dy + dz * dz;
  if (square >= touching * touching) return;
  const distance = Math.sqrt(square) || 1e-6;
  const shareA = b.rM / (a.rM + b.rM);
  const step = ((touching - distance) * 0.5) / distance;
  a.xM += dx * step * shareA;
  a.yM += dy * step * shareA;
  a.zM += dz * step * shareA;
  b.xM -= dx * step * (1 - shareA);
  b.yM -= dy * step * (1 - shareA);
  b.zM -= dz * step * (1 - shareA);
}

function holdToTie(ball: SoftBall): void {
  const neck = ball.rM * 1.15;
  const dx = ball.xM - ball.tieX;
  const dy = ball.yM - ball.tieY;
  const reach = Math.hypot(dx, dy);
  if (reach > neck) {
    const back = (0.12 * (reach - neck)) / reach;
    ball.xM -= dx * back;
    ball.yM -= dy * back;
  }
  ball.zM = Math.max(ball.zM, ball.rM);
  ball.yM = Math.max(ball.yM, ball.rM);
}
