import { inchesToMetres } from '../quantity/length.ts';
import { type Balls, nearPairs } from './near-pairs.ts';

/** Balloons as soft balls, each held by its neck to a tie that does not move. */
export interface TiedBalls extends Balls {
  tieX: Float64Array;
  tieY: Float64Array;
  tieZ: Float64Array;
}

/** A pole or string that no balloon goes into: its two ends and its radius, m. */
export interface Rod {
  from: readonly [x: number, y: number, z: number];
  to: readonly [x: number, y: number, z: number];
  rM: number;
}

/** An upright board that no balloon goes into: its corners on the elevation, its middle from the wall and half its thickness, m. */
export interface Plate {
  leftM: number;
  rightM: number;
  lowM: number;
  highM: number;
  zM: number;
  halfM: number;
}

/** What stands in the way: a wall behind at so much z, a floor at so much y, rods, boards. Left out, there is none. */
export interface Obstacles {
  wallZM?: number;
  floorYM?: number;
  rods?: readonly Rod[];
  plates?: readonly Plate[];
}

/** How long it is gone on with, and how far a neck reaches beyond the balloon's skin, m. */
interface Settling {
  mostSteps?: number;
  /** Settled once no force moves a balloon by more than this share of its radius against one contact. */
  still?: number;
  neckM?: number;
  /** Which may move, in ascending order; all others keep their places. Left out, all. */
  loose?: Int32Array;
}

/** What a settling came to. */
export interface Settled {
  steps: number;
  /** Before each step that was kept, in the unit of a contact's stiffness, m². */
  energies: number[];
}

/** A neck reaches from its tie to the balloon's skin and so much further before it pulls. */
const NECK_M = inchesToMetres(1);
/** How stiff a neck is, and a wall, floor or rod, over a contact of two balloons of the mean radius. From memory. */
export const NECK = 0.5;
export const SOLID = 4;

/** Neighbours are looked for anew once something has moved by half of this share of the largest radius. */
const SKIN = 0.18;
/** No balloon moves further than this share of its radius in one step. */
const STEP = 0.25;
const STILL = 2e-2;
const MOST_STEPS = 400;

/** Steps of the descent: fast inertial relaxation (Bitzek and others, 2006), parameters as published, from memory. */
const FIRE = { first: 0.12, longest: 0.5, longer: 1.1, shorter: 0.5, mix: 0.1, lessMix: 0.99, patience: 5 };

/**
 * Moves balls in place until they lie still: soft contacts as stiff as they are large, necks that only pull, walls, floors
 * and rods in the way. Damped descent of energy: a step that would raise it is taken back. Mass goes by radius, so that one
 * step suits all sizes.
 *
 * The same balls give the same bits: nothing is random, and everything is summed in the order of the balls.
 */
export function settleBalls(
  balls: TiedBalls,
  obstacles: Obstacles,
  { mostSteps = MOST_STEPS, still = STILL, neckM = NECK_M, loose }: Settling = {},
): Settled {
  const { x, y, z, r } = balls;
  const count = x.length;
  const movers = loose ?? Int32Array.from({ length: count }, (_, i) => i);
  if (movers.length === 0) return { steps: 0, energies: [] };
  const mean = r.reduce((sum, one) => sum + one, 0) / count;
  const most = r.reduce((a, b) => Math.max(a, b), 0);
  const stiff = Float64Array.from(r, (one) => one / mean);
  const skin = SKIN * most;
  const [fx, fy, fz] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const [vx, vy, vz] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const [keptX, keptY, keptZ] = [x.slice(), y.slice(), z.slice()];
  let [listX, listY, listZ] = [x.slice(), y.slice(), z.slice()];
  const isLoose = new Uint8Array(count);
  for (const i of movers) isLoose[i] = 1;
  const listed = () => (loose ? pairsOf(isLoose, nearPairs(balls, skin)) : nearPairs(balls, skin));
  let pairs = listed();
  const energyOf = (): number => forces(balls, movers, obstacles, neckM, stiff, pairs, [fx, fy, fz]);
  const energies: number[] = [];
  let before = Infinity;
  let step = FIRE.first;
  let mix = FIRE.mix;
  let downhill = 0;
  let steps = 0;
  for (; steps < mostSteps; steps++) {
    if (hasMoved(balls, [listX, listY, listZ], skin / 2)) {
      pairs = listed();
      [listX, listY, listZ] = [x.slice(), y.slice(), z.slice()];
    }
    const energy = energyOf();
    if (energy > before) {
      copy(balls, [keptX, keptY, keptZ]);
      vx.fill(0);
      vy.fill(0);
      vz.fill(0);
      step *= FIRE.shorter;
      mix = FIRE.mix;
      downhill = 0;
      // Forces of the place gone back to, for the next step.
      before = Infinity;
      continue;
    }
    energies.push(energy);
    before = energy;
    let power = 0;
    let speed2 = 0;
    let force2 = 0;
    let worst = 0;
    for (let m = 0; m < movers.length; m++) {
      const i = movers[m] as number;
      const ax = fx[i] as number;
      const ay = fy[i] as number;
      const az = fz[i] as number;
      const ux = vx[i] as number;
      const uy = vy[i] as number;
      const uz = vz[i] as number;
      power += ax * ux + ay * uy + az * uz;
      speed2 += ux * ux + uy * uy + uz * uz;
      const f2 = ax * ax + ay * ay + az * az;
      force2 += f2;
      const contact = (stiff[i] as number) * (r[i] as number);
      worst = Math.max(worst, f2 / (contact * contact));
    }
    if (worst < still * still) break;
    if (power > 0) {
      downhill++;
      if (downhill > FIRE.patience) {
        step = Math.min(step * FIRE.longer, FIRE.longest);
        mix *= FIRE.lessMix;
      }
    } else {
      vx.fill(0);
      vy.fill(0);
      vz.fill(0);
      downhill = 0;
      step *= FIRE.shorter;
      mix = FIRE.mix;
    }
    const turn = power > 0 ? (mix * Math.sqrt(speed2)) / Math.sqrt(force2 || 1) : 0;
    const keep = power > 0 ? 1 - mix : 0;
    for (let m = 0; m < movers.length; m++) {
      const i = movers[m] as number;
      keptX[i] = x[i] as number;
      keptY[i] = y[i] as number;
      keptZ[i] = z[i] as number;
      const push = step / (stiff[i] as number) + turn;
      const ux = keep * (vx[i] as number) + push * (fx[i] as number);
      const uy = keep * (vy[i] as number) + push * (fy[i] as number);
      const uz = keep * (vz[i] as number) + push * (fz[i] as number);
      vx[i] = ux;
      vy[i] = uy;
      vz[i] = uz;
      const far = Math.sqrt(ux * ux + uy * uy + uz * uz) * step;
      const cap = STEP * (r[i] as number);
      const share = far > cap ? (step * cap) / far : step;
      x[i] = (x[i] as number) + ux * share;
      y[i] = (y[i] as number) + uy * share;
      z[i] = (z[i] as number) + uz * share;
    }
  }
  return { steps, energies };
}

/** The pairs of which one at least may move. */
function pairsOf(isLoose: Uint8Array, pairs: Int32Array): Int32Array {
  const kept: number[] = [];
  for (let p = 0; p < pairs.length; p += 2) {
    const [a, b] = [pairs[p] as number, pairs[p + 1] as number];
    if (isLoose[a] || isLoose[b]) kept.push(a, b);
  }
  return Int32Array.from(kept);
}

/** Balls back to where they were. */
function copy({ x, y, z }: Balls, [fromX, fromY, fromZ]: Rows): void {
  for (let i = 0; i < x.length; i++) {
    x[i] = fromX[i] as number;
    y[i] = fromY[i] as number;
    z[i] = fromZ[i] as number;
  }
}

type Rows = readonly [Float64Array, Float64Array, Float64Array];

function hasMoved({ x, y, z }: Balls, [listX, listY, listZ]: Rows, far: number): boolean {
  const far2 = far * far;
  for (let i = 0; i < x.length; i++) {
    const dx = (x[i] as number) - (listX[i] as number);
    const dy = (y[i] as number) - (listY[i] as number);
    const dz = (z[i] as number) - (listZ[i] as number);
    if (dx * dx + dy * dy + dz * dz > far2) return true;
  }
  return false;
}

/** The forces on all balls, and the energy they come from. */
function forces(
  balls: TiedBalls,
  movers: Int32Array,
  obstacles: Obstacles,
  neckM: number,
  stiff: Float64Array,
  pairs: Int32Array,
  [fx, fy, fz]: Rows,
): number {
  const { x, y, z, r, tieX, tieY, tieZ } = balls;
  let energy = 0;
  fx.fill(0);
  fy.fill(0);
  fz.fill(0);
  for (let p = 0; p < pairs.length; p += 2) {
    const a = pairs[p] as number;
    const b = pairs[p + 1] as number;
    const dx = (x[a] as number) - (x[b] as number);
    const dy = (y[a] as number) - (y[b] as number);
    const dz = (z[a] as number) - (z[b] as number);
    const touch = (r[a] as number) + (r[b] as number);
    const square = dx * dx + dy * dy + dz * dz;
    if (square >= touch * touch) continue;
    const distance = Math.sqrt(square) || 1e-9;
    const overlap = touch - distance;
    const sa = stiff[a] as number;
    const sb = stiff[b] as number;
    const k = (2 * sa * sb) / (sa + sb);
    energy += 0.5 * k * overlap * overlap;
    const push = (k * overlap) / distance;
    fx[a] = (fx[a] as number) + dx * push;
    fy[a] = (fy[a] as number) + dy * push;
    fz[a] = (fz[a] as number) + dz * push;
    fx[b] = (fx[b] as number) - dx * push;
    fy[b] = (fy[b] as number) - dy * push;
    fz[b] = (fz[b] as number) - dz * push;
  }
  const { wallZM, floorYM, rods = [], plates = [] } = obstacles;
  for (let m = 0; m < movers.length; m++) {
    const i = movers[m] as number;
    const s = stiff[i] as number;
    const ri = r[i] as number;
    const dx = (x[i] as number) - (tieX[i] as number);
    const dy = (y[i] as number) - (tieY[i] as number);
    const dz = (z[i] as number) - (tieZ[i] as number);
    const reach = ri + neckM;
    const square = dx * dx + dy * dy + dz * dz;
    if (square > reach * reach) {
      const distance = Math.sqrt(square);
      const stretch = distance - reach;
      const k = NECK * s;
      energy += 0.5 * k * stretch * stretch;
      const pull = (k * stretch) / distance;
      fx[i] = (fx[i] as number) - dx * pull;
      fy[i] = (fy[i] as number) - dy * pull;
      fz[i] = (fz[i] as number) - dz * pull;
    }
    const k = SOLID * s;
    if (wallZM !== undefined) {
      const into = wallZM + ri - (z[i] as number);
      if (into > 0) {
        energy += 0.5 * k * into * into;
        fz[i] = (fz[i] as number) + k * into;
      }
    }
    if (floorYM !== undefined) {
      const into = floorYM + ri - (y[i] as number);
      if (into > 0) {
        energy += 0.5 * k * into * into;
        fy[i] = (fy[i] as number) + k * into;
      }
    }
    for (const rod of rods) {
      const [nx, ny, nz, distance] = fromRod(rod, x[i] as number, y[i] as number, z[i] as number);
      const into = rod.rM + ri - distance;
      if (into <= 0) continue;
      energy += 0.5 * k * into * into;
      fx[i] = (fx[i] as number) + k * into * nx;
      fy[i] = (fy[i] as number) + k * into * ny;
      fz[i] = (fz[i] as number) + k * into * nz;
    }
    for (const plate of plates) {
      const [nx, ny, nz, distance] = fromPlate(plate, x[i] as number, y[i] as number, z[i] as number);
      const into = ri - distance;
      if (into <= 0) continue;
      energy += 0.5 * k * into * into;
      fx[i] = (fx[i] as number) + k * into * nx;
      fy[i] = (fy[i] as number) + k * into * ny;
      fz[i] = (fz[i] as number) + k * into * nz;
    }
  }
  return energy;
}

/** From the nearest place of a board's skin to a point: direction out of it, and distance, below 0 inside. */
function fromPlate(
  { leftM, rightM, lowM, highM, zM, halfM }: Plate,
  x: number,
  y: number,
  z: number,
): [number, number, number, number] {
  const dx = x - Math.min(rightM, Math.max(leftM, x));
  const dy = y - Math.min(highM, Math.max(lowM, y));
  const dz = z - Math.min(zM + halfM, Math.max(zM - halfM, z));
  const distance = Math.sqrt(dx * dx + dy * dy + dz * dz);
  if (distance > 1e-9) return [dx / distance, dy / distance, dz / distance, distance];
  // With its middle inside it is pushed out by the shortest way: through the face, or past an edge that is nearer.
  const out: [number, number, number, number][] = [
    [0, 0, Math.sign(z - zM) || 1, Math.abs(z - zM) - halfM],
    [-1, 0, 0, leftM - x],
    [1, 0, 0, x - rightM],
    [0, 1, 0, y - highM],
  ];
  return out.reduce((best, one) => (one[3] > best[3] ? one : best));
}

/** From the nearest place of a rod's axis to a point: direction and distance. */
function fromRod({ from, to }: Rod, x: number, y: number, z: number): [number, number, number, number] {
  const [ax, ay, az] = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const long2 = ax * ax + ay * ay + az * az;
  const along = (x - from[0]) * ax + (y - from[1]) * ay + (z - from[2]) * az;
  const share = long2 > 0 ? Math.min(1, Math.max(0, along / long2)) : 0;
  const [dx, dy, dz] = [x - from[0] - share * ax, y - from[1] - share * ay, z - from[2] - share * az];
  const distance = Math.sqrt(dx * dx + dy * dy + dz * dz);
  // On the axis itself any way out is as good.
  return distance > 1e-9 ? [dx / distance, dy / distance, dz / distance, distance] : [0, 0, 1, 0];
}
