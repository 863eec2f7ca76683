import type { OrganicGarland, SizeShare, Working } from '@early-lantern/contract';
import { chainLength, smoothLine } from '../geometry/line.ts';
import { nestedPitch } from '../geometry/rings.ts';
import { apportion } from '../quantity/apportion.ts';
import { inchesToMetres, METRES_PER_FOOT, metresToInches } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { clusterPitchM, meanCubeM3, meanDiameterM, silhouetteWidthM, tiltToWidth } from './garland-mix.ts';
import type { Need, Recipe } from './recipe.ts';

const PRESS_FACTOR = { tight: 0.97, loose: 1.17 };
const CLUSTER_SIZES = [4, 5, 6, 7, 8];
/** Balloon share of the envelope of a garland hung free; above that of hard spheres because latex squeezes. */
const SOLID_SHARE = 0.74;
/** The width at which the filler density is quoted. */
const FILLER_WIDTH_M = inchesToMetres(22);
/** Two armfuls to a 12 ft garland, three to a 15 ft one. */
const SECTION_M = 6.5 * METRES_PER_FOOT;
const HANG_SPACING_M = 2 * METRES_PER_FOOT;
/** How far a predicted width may be from the one asked for before it is said aloud. */
const WIDTH_TOLERANCE = 0.06;
const SIMULATED = `${DERIVED}, fitted to relaxed soft spheres`;

/**
 * Counts of an organic garland, from the length of its line, its visible width and taper, its mix of sizes and
 * colours and its cluster plan.
 *
 * By length, `K = L / (k f(n) d̄)` clusters cover the line. By volume, `N = 1.5 φ W² L / mean(d³)` balloons fill the
 * outline (W² averaged over the taper). Where the outline asks for more, the difference goes on as clusters at the
 * sides. Both stay within ± 6 % of what the trade counts.
 */
export function organicGarland(piece: OrganicGarland): Recipe {
  const lengthM = chainLength(smoothLine(piece.line.map(({ xM, yM }) => ({ x: xM, y: yM }))));
  const width = taperedWidth(piece.widthM, piece.taper);
  const clusterSize =
    piece.clusterSize === 'auto' ? nearestClusterSize(width.rmsM, piece.sizes) : piece.clusterSize;
  const sizes =
    piece.sizePolicy === 'fit-width' ? tiltToWidth(piece.sizes, clusterSize, width.rmsM) : piece.sizes;

  const pressFactor = PRESS_FACTOR[piece.strung];
  const pitchM = clusterPitchM(clusterSize, sizes, pressFactor);
  const spineClusters = Math.max(1, Math.round(lengthM / pitchM));
  const byVolume = (1.5 * SOLID_SHARE * width.rmsM ** 2 * lengthM) / meanCubeM3(sizes);
  const clusters = Math.max(spineClusters, Math.round(byVolume / clusterSize));
  const fillerTrios = Math.round((piece.fillers.triosPerM * lengthM * width.meanM) / FILLER_WIDTH_M);

  const ownWidthM = silhouetteWidthM(clusterSize, sizes);
  const visibleWidthM =
    ownWidthM > width.rmsM * (1 + WIDTH_TOLERANCE) ? (piece.widthM * ownWidthM) / width.rmsM : piece.widthM;

  return {
    lengthM,
    visibleWidthM,
    clusterSize,
    spineClusters,
    sideClusters: clusters - spineClusters,
    fillerTrios,
    sections: Math.max(1, Math.ceil(lengthM / SECTION_M)),
    hangPoints: Math.max(3, Math.ceil(lengthM / HANG_SPACING_M) + 1),
    topM: Math.max(...piece.line.map((point) => point.yM)),
    needs: [...baseNeeds(piece, sizes, clusters * clusterSize), ...fillerNeeds(piece, fillerTrios * 3)],
    notes: notesOn(piece, { clusterSize, sizes, visibleWidthM, clusters, spineClusters, lengthM }),
    working: showWorking({
      piece,
      sizes,
      clusterSize,
      pressFactor,
      pitchM,
      lengthM,
      width,
      spineClusters,
      byVolume,
      clusters,
      fillerTrios,
    }),
  };
}

interface TaperedWidth {
  meanM: number;
  /** Root of the mean square: what the outline's volume goes with. */
  rmsM: number;
}

/** Mean widths of an outline that thins evenly from `widthM` to `taper · widthM`. */
function taperedWidth(widthM: number, taper: number): TaperedWidth {
  return {
    meanM: (widthM * (1 + taper)) / 2,
    rmsM: widthM * Math.sqrt((1 + taper + taper ** 2) / 3),
  };
}

/** The cluster size whose own silhouette comes nearest to the width asked for; the smaller of two equals. */
function nearestClusterSize(widthM: number, sizes: readonly SizeShare[]): number {
  const miss = (n: number) => Math.abs(silhouetteWidthM(n, sizes) - widthM);
  return CLUSTER_SIZES.reduce((best, n) => (miss(n) < miss(best) ? n : best));
}

/** Balloons of the clusters: first by size, then each size by colour, so that both mixes hold to the balloon. */
function baseNeeds(piece: OrganicGarland, sizes: readonly SizeShare[], balloons: number): Need[] {
  const bySize = apportion(
    sizes.map((size) => size.sharePct),
    balloons,
  );
  return sizes.flatMap((size, i) =>
    dealColours(piece, bySize[i] as number).map(({ colour, count }) => ({
      role: 'base' as const,
      nominalIn: size.nominalIn,
      inflatedIn: size.inflatedIn,
      colour,
      count,
    })),
  );
}

function fillerNeeds(piece: OrganicGarland, balloons: number): Need[] {
  const { nominalIn, inflatedIn } = piece.fillers;
  return dealColours(piece, balloons).map(({ colour, count }) => ({
    role: 'filler' as const,
    nominalIn,
    inflatedIn,
    colour,
    count,
  }));
}

function dealColours(piece: OrganicGarland, balloons: number): { colour: string; count: number }[] {
  const counts = apportion(
    piece.colours.map((share) => share.sharePct),
    balloons,
  );
  return piece.colours
    .map(({ colour }, i) => ({ colour, count: counts[i] as number }))
    .filter(({ count }) => count > 0);
}

interface Outcome {
  clusterSize: number;
  sizes: readonly SizeShare[];
  visibleWidthM: number;
  clusters: number;
  spineClusters: number;
  lengthM: number;
}

const inches = (metres: number) => `${Math.round(metresToInches(metres))} in`;

/** What the owner should know about how length and width were met. */
function notesOn(piece: OrganicGarland, outcome: Outcome): string[] {
  const notes: string[] = [];
  if (outcome.visibleWidthM > piece.widthM) {
    notes.push(
      `The width gave way: ${outcome.clusterSize}-clusters of this mix come out about ${inches(outcome.visibleWidthM)} wide, not ${inches(piece.widthM)}. Smaller balloons or smaller clusters make it thinner.`,
    );
  }
  if (piece.sizePolicy === 'fit-width') {
    const mix = outcome.sizes
      .map((size) => `${size.nominalIn} in. ${Math.round(size.sharePct)} %`)
      .join(', ');
    notes.push(`The size mix gave way to the width: ${mix}.`);
  }
  const atSides = outcome.clusters - outcome.spineClusters;
  if (atSides > 0) {
    notes.push(
      `To reach ${inches(piece.widthM)}, ${plural(atSides, 'cluster')} of the ${outcome.clusters} at the sides.`,
    );
  }
  const ratio = (outcome.clusters * outcome.clusterSize) / (3 * (outcome.lengthM / METRES_PER_FOOT));
  if (ratio > 2) {
    notes.push(
      `That is ${ratio.toFixed(1)} times the trade's three 12 in. a foot: the rule is for a thin home-style base, and this garland is ${inches(outcome.visibleWidthM)} wide.`,
    );
  }
  if (ratio < 0.5) {
    notes.push(
      `That is under half the trade's three 12 in. a foot: these balloons are much larger than 12 in.`,
    );
  }
  return notes;
}

interface Steps {
  piece: OrganicGarland;
  sizes: readonly SizeShare[];
  clusterSize: number;
  pressFactor: number;
  pitchM: number;
  lengthM: number;
  width: TaperedWidth;
  spineClusters: number;
  byVolume: number;
  clusters: number;
  fillerTrios: number;
}

function showWorking(steps: Steps): Working[] {
  const { piece, sizes, clusterSize, pressFactor, pitchM, lengthM, width, spineClusters, clusters } = steps;
  const meanM = meanDiameterM(sizes);
  return [
    working(
      'Length of the line',
      'L = Σ of short chords of the smooth line',
      [['points', piece.line.length]],
      { value: lengthM, unit: 'm' },
      DERIVED,
    ),
    working(
      'Own width of the clusters',
      'W = 1.48 · n^0.29 · ∛mean(d³)',
      [
        ['n', clusterSize],
        ['∛mean(d³)', Math.cbrt(meanCubeM3(sizes)), 'm'],
      ],
      { value: silhouetteWidthM(clusterSize, sizes), unit: 'm' },
      `${SIMULATED}, ± 4 %`,
    ),
    working(
      'Clusters on the string, by length',
      'K = L / (k · f(n) · d̄)',
      [
        ['L', lengthM, 'm'],
        ['k', pressFactor],
        ['f(n)', nestedPitch(clusterSize, 1, 1)],
        ['d̄', meanM, 'm'],
      ],
      { value: spineClusters, unit: 'clusters' },
      `${DERIVED} from touching spheres; ± 6 % against the trade's own counts`,
    ),
    working(
      'The same length, strung jumbled and hung free',
      'L = (0.47 + 0.06 n) · d̄ · (K − 1) + 1.6 d̄',
      [
        ['n', clusterSize],
        ['d̄', meanM, 'm'],
        ['K', spineClusters],
      ],
      { value: (0.47 + 0.06 * clusterSize) * meanM * (spineClusters - 1) + 1.6 * meanM, unit: 'm' },
      `${SIMULATED}; a cross-check, not used for the count`,
    ),
    working(
      'Balloons that fill the outline, by volume',
      'N = 1.5 · φ · W² · L / mean(d³)',
      [
        ['φ', SOLID_SHARE],
        ['W (root mean square over the taper)', width.rmsM, 'm'],
        ['L', lengthM, 'm'],
        ['mean(d³)', meanCubeM3(sizes), 'm³'],
      ],
      { value: Math.round(steps.byVolume), unit: 'balloons' },
      SIMULATED,
    ),
    working(
      'Clusters in all',
      'the larger of both counts',
      [
        ['by length', spineClusters],
        ['by volume', Math.round(steps.byVolume / clusterSize)],
        ['length per cluster', pitchM, 'm'],
      ],
      { value: clusters, unit: 'clusters' },
      DERIVED,
    ),
    working(
      'Rule of thumb: a thin base',
      '3 balloons of 12 in. a foot',
      [['L', lengthM, 'm']],
      { value: Math.round(3 * (lengthM / METRES_PER_FOOT)), unit: 'balloons' },
      COMMON_PRACTICE,
    ),
    working(
      'Filler trios',
      'density · L · W / 22 in.',
      [
        ['density', piece.fillers.triosPerM, 'per m'],
        ['L', lengthM, 'm'],
        ['W (mean over the taper)', width.meanM, 'm'],
      ],
      { value: steps.fillerTrios, unit: 'trios' },
      `about 20 on a 10 ft base: ${COMMON_PRACTICE}`,
    ),
  ];
}
