import type { OrganicGarland } from '@early-lantern/contract';
import { type Station, smoothLine, stationsAt } from '../geometry/line.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { seededRandom } from '../quantity/random.ts';
import type { Need, Recipe } from './recipe.ts';
import { settle } from './settle.ts';

/** A balloon as it is drawn: centre and radius in metres on the elevation, the nearest last. */
export interface DrawnBalloon {
  xM: number;
  yM: number;
  rM: number;
  colour: string;
  role: Need['role'];
}

interface Placed extends DrawnBalloon {
  /** Towards the viewer. */
  zM: number;
  /** Tie the neck pulls to. */
  tieX: number;
  tieY: number;
}

/**
 * Every counted balloon placed along the garland's line: clusters at even steps with assorted diameters, the large
 * ones towards the thick end, fillers in front; then settled as soft balls against the wall. The drawn balloons are
 * the counted ones, size by size and colour by colour.
 */
export function garlandPicture(piece: OrganicGarland, recipe: Recipe): DrawnBalloon[] {
  const random = seededRandom(piece.seed);
  const base = drawBase(piece, recipe, random);
  const fillers = drawFillers(piece, recipe, random);
  const placed = [...base, ...fillers];
  settle(placed);
  return placed
    .sort((a, b) => a.zM - b.zM)
    .map(({ xM, yM, rM, colour, role }) => ({ xM, yM, rM, colour, role }));
}

interface Ball {
  rM: number;
  nominalIn: number;
}

/** Balls of a need, diameters spread evenly over its range. */
function balls(needs: readonly Need[], nominalIn: number): Ball[] {
  const count = needs
    .filter((need) => need.nominalIn === nominalIn)
    .reduce((sum, need) => sum + need.count, 0);
  const range = needs.find((need) => need.nominalIn === nominalIn)?.inflatedIn ?? { min: 1, max: 1 };
  return Array.from({ length: count }, (_, i) => ({
    rM: inchesToMetres(range.min + ((i + 0.5) / count) * (range.max - range.min)) / 2,
    nominalIn,
  }));
}

function drawBase(piece: OrganicGarland, recipe: Recipe, random: () => number): Placed[] {
  const needs = recipe.needs.filter((need) => need.role === 'base');
  const clusters = recipe.spineClusters + recipe.sideClusters;
  const sizes = [...new Set(needs.map((need) => need.nominalIn))];
  const all = sizes.flatMap((size) => balls(needs, size));
  const slots = shuffled(all, random);
  const largestR = Math.max(...all.map((ball) => ball.rM));
  // A garland that thins carries its large balloons at the thick end: sort by size as strongly as it tapers.
  slots.sort((a, b) => b.key - a.key);
  const pull = 1 - piece.taper;
  const ranked = slots
    .map((slot) => ({ ...slot, rank: (1 - pull) * slot.key + pull * (slot.ball.rM / largestR) }))
    .sort((a, b) => b.rank - a.rank);

  const chain = smoothLine(piece.line.map(({ xM, yM }) => ({ x: xM, y: yM })));
  const ties = stationsAt(
    chain,
    Array.from({ length: clusters }, (_, k) => ((k + 0.5) / clusters) * recipe.lengthM),
  );
  const placed = ties.flatMap((tie, k) => {
    const members = ranked.slice(k * recipe.clusterSize, (k + 1) * recipe.clusterSize);
    const turn = random() * Math.PI * 2;
    return members.map(({ ball }, i) => {
      const angle = turn + (i / members.length) * Math.PI * 2 + (random() - 0.5) * 0.5;
      return { nominalIn: ball.nominalIn, placed: beside(piece, recipe, tie, angle, ball.rM, 'base') };
    });
  });
  for (const size of sizes) {
    const ofSize = placed.filter((entry) => entry.nominalIn === size).map((entry) => entry.placed);
    dealColours(
      ofSize,
      needs.filter((need) => need.nominalIn === size),
      piece.colourPlan,
      recipe.clusterSize,
    );
  }
  return placed.map((entry) => entry.placed);
}

function shuffled(list: readonly Ball[], random: () => number): { ball: Ball; key: number }[] {
  return list.map((ball) => ({ ball, key: random() }));
}

/** A ball at `angle` round the line: 0 across the wall, a quarter turn towards the viewer. */
function beside(
  piece: OrganicGarland,
  recipe: Recipe,
  tie: Station,
  angle: number,
  rM: number,
  role: Need['role'],
): Placed {
  const widthM = piece.widthM * (1 - (1 - piece.taper) * (tie.along / recipe.lengthM));
  const reach = Math.max(widthM / 2 - rM, rM * 0.4);
  const across = Math.cos(angle) * reach;
  return {
    xM: tie.x - tie.ty * across,
    yM: tie.y + tie.tx * across,
    zM: widthM * 0.34 + Math.sin(angle) * reach * 0.8,
    rM,
    colour: '',
    role,
    tieX: tie.x,
    tieY: tie.y,
  };
}

function drawFillers(piece: OrganicGarland, recipe: Recipe, random: () => number): Placed[] {
  const needs = recipe.needs.filter((need) => need.role === 'filler');
  if (recipe.fillerTrios === 0) return [];
  const chain = smoothLine(piece.line.map(({ xM, yM }) => ({ x: xM, y: yM })));
  const spots = stationsAt(
    chain,
    Array.from({ length: recipe.fillerTrios }, (_, t) => ((t + 0.5) / recipe.fillerTrios) * recipe.lengthM),
  );
  const pool = balls(needs, piece.fillers.nominalIn);
  const placed = spots.flatMap((spot, t) => {
    // Golden-angle steps over the front half spread the trios without clumping.
    const angle = ((t * 0.618034) % 1) * Math.PI * 0.64 + Math.PI * 0.18;
    return pool.slice(t * 3, t * 3 + 3).map((ball, i) => {
      const at = beside(piece, recipe, spot, angle, ball.rM, 'filler');
      const turn = (i / 3 + random() * 0.2) * Math.PI * 2;
      return {
        ...at,
        xM: at.xM + Math.cos(turn) * ball.rM,
        yM: at.yM + Math.sin(turn) * ball.rM,
        zM: at.zM + ball.rM * 2,
        tieX: at.xM,
        tieY: at.yM,
      };
    });
  });
  dealColours(placed, needs, piece.colourPlan, 3);
  return placed;
}

/**
 * Gives the balls, in order along the line, the counted colours. `even` always takes the colour furthest behind its
 * share; `blocks` keeps one colour for two or three clusters before it moves on to the one furthest behind.
 */
function dealColours(
  along: Placed[],
  needs: readonly Need[],
  plan: OrganicGarland['colourPlan'],
  clusterSize: number,
): void {
  const total = along.length;
  const left = needs.map((need) => need.count);
  const behind = (done: number) =>
    needs.reduce((best, need, i) => {
      const debt = (j: number, share: number) =>
        left[j] === 0 ? -Infinity : (share * (done + 1)) / total - (share - (left[j] as number));
      return debt(i, need.count) > debt(best, (needs[best] as Need).count) ? i : best;
    }, 0);
  const block = plan === 'blocks' ? Math.max(2, Math.round(clusterSize * 0.8)) : 1;
  let current = -1;
  along.forEach((ball, done) => {
    if (current < 0 || done % block === 0 || left[current] === 0) current = behind(done);
    left[current] = (left[current] as number) - 1;
    ball.colour = (needs[current] as Need).colour;
  });
}
