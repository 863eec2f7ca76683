import type { Mix, SizeShare, Working } from '@early-lantern/contract';
import { chainLength, type XY } from '../geometry/line.ts';
import { nestedPitch } from '../geometry/rings.ts';
import { apportion } from '../quantity/apportion.ts';
import { inchesToMetres, METRES_PER_FOOT, metresToInches } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { clusterPitchM, meanCubeM3, meanDiameterM, silhouetteWidthM, tiltToWidth } from './mix.ts';
import type { Need } from './recipe.ts';

const PRESS_FACTOR = { tight: 0.97, loose: 1.17 };
const CLUSTER_SIZES = [4, 5, 6, 7, 8];
/** Balloon share of the envelope of a garland hung free; above that of hard spheres because latex squeezes. */
const SOLID_SHARE = 0.74;
/** The width at which the filler density is quoted. */
const FILLER_WIDTH_M = inchesToMetres(22);
/** How far a predicted width may be from the one asked for before it is said aloud. */
const WIDTH_TOLERANCE = 0.06;
const SIMULATED = `${DERIVED}, fitted to relaxed soft spheres`;

/** What shall be dressed: a line, thick end first, with its visible width there and what it narrows to. */
export interface DressLine {
  chain: readonly XY[];
  widthM: number;
  /** Width at the tip over that at the thick end. */
  taper: number;
  mix: Mix;
  /** Clusters more than length and width ask for: on corners, for a tail that spreads. */
  extraClusters?: number;
}

/** Organic clusters along a line: counts, and what follows from them whatever they hang on. */
export interface Dressing {
  lengthM: number;
  visibleWidthM: number;
  clusterSize: number;
  spineClusters: number;
  sideClusters: number;
  fillerTrios: number;
  needs: Need[];
  notes: string[];
  working: Working[];
}

/**
 * Counts of an organic garland, from the length of its line, its visible width and taper, its mix of sizes and
 * colours and its cluster plan.
 *
 * By length, `K = L / (k f(n) d̄)` clusters cover the line. By volume, `N = 1.5 φ W² L / mean(d³)` balloons fill the
 * outline (W² averaged over the taper). Where the outline asks for more, the difference goes on as clusters at the
 * sides. Both stay within ± 6 % of what the trade counts.
 */
export function dress({ chain, widthM, taper, mix, extraClusters = 0 }: DressLine): Dressing {
  const lengthM = chainLength(chain);
  const width = taperedWidth(widthM, taper);
  const clusterSize =
    mix.clusterSize === 'auto' ? nearestClusterSize(width.rmsM, mix.sizes) : mix.clusterSize;
  const sizes = mix.sizePolicy === 'fit-width' ? tiltToWidth(mix.sizes, clusterSize, width.rmsM) : mix.sizes;

  const pressFactor = PRESS_FACTOR[mix.strung];
  const pitchM = clusterPitchM(clusterSize, sizes, pressFactor);
  const spineClusters = Math.max(1, Math.round(lengthM / pitchM));
  const byVolume = (1.5 * SOLID_SHARE * width.rmsM ** 2 * lengthM) / meanCubeM3(sizes);
  const clusters = Math.max(spineClusters, Math.round(byVolume / clusterSize)) + extraClusters;
  const fillerTrios = Math.round((mix.fillers.triosPerM * lengthM * width.meanM) / FILLER_WIDTH_M);

  const ownWidthM = silhouetteWidthM(clusterSize, sizes);
  const visibleWidthM =
    ownWidthM > width.rmsM * (1 + WIDTH_TOLERANCE) ? (widthM * ownWidthM) / width.rmsM : widthM;
  const steps: Steps = {
    widthM,
    mix,
    sizes,
    clusterSize,
    pressFactor,
    pitchM,
    lengthM,
    width,
    spineClusters,
    byVolume,
    clusters,
    extraClusters,
    fillerTrios,
    visibleWidthM,
  };
  return {
    lengthM,
    visibleWidthM,
    clusterSize,
    spineClusters,
    sideClusters: clusters - spineClusters,
    fillerTrios,
    needs: [...baseNeeds(mix, sizes, clusters, clusterSize), ...fillerNeeds(mix, fillerTrios * 3)],
    notes: notesOn(steps),
    working: showWorking(steps),
  };
}

/** A garland against a wall is about this much thinner front to back than it is wide. Derived: 0.65–0.7 pressed to it. */
export const FLATNESS = 0.7;

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
function baseNeeds(mix: Mix, sizes: readonly SizeShare[], clusters: number, clusterSize: number): Need[] {
  const cluster = clusterName(clusterSize);
  const bySize = apportion(
    sizes.map((size) => size.sharePct),
    clusters * clusterSize,
  );
  return sizes.flatMap((size, i) =>
    dealColours(mix, bySize[i] as number).map(({ colour, count }) => ({
      role: 'base' as const,
      nominalIn: size.nominalIn,
      inflatedIn: size.inflatedIn,
      colour,
      count,
      cluster,
    })),
  );
}

function fillerNeeds(mix: Mix, balloons: number): Need[] {
  const { nominalIn, inflatedIn } = mix.fillers;
  return dealColours(mix, balloons).map(({ colour, count }) => ({
    role: 'filler' as const,
    nominalIn,
    inflatedIn,
    colour,
    count,
    cluster: 'trios',
  }));
}

function dealColours(mix: Mix, balloons: number): { colour: string; count: number }[] {
  const counts = apportion(
    mix.colours.map((share) => share.sharePct),
    balloons,
  );
  return mix.colours
    .map(({ colour }, i) => ({ colour, count: counts[i] as number }))
    .filter(({ count }) => count > 0);
}

const inches = (metres: number) => `${Math.round(metresToInches(metres))} in`;

/** What the owner should know about how length and width were met. */
function notesOn(outcome: Steps): string[] {
  const { widthM } = outcome;
  const notes: string[] = [];
  if (outcome.visibleWidthM > widthM) {
    notes.push(
      `The width gave way: ${outcome.clusterSize}-clusters of this mix come out about ${inches(outcome.visibleWidthM)} wide, not ${inches(widthM)}. Smaller balloons or smaller clusters make it thinner.`,
    );
  }
  if (outcome.mix.sizePolicy === 'fit-width') {
    const mix = outcome.sizes
      .map((size) => `${size.nominalIn} in. ${Math.round(size.sharePct)} %`)
      .join(', ');
    notes.push(`The size mix gave way to the width: ${mix}.`);
  }
  const atSides = outcome.clusters - outcome.spineClusters;
  if (atSides > 0) {
    notes.push(
      `To reach ${inches(widthM)}, ${plural(atSides, 'cluster')} of the ${outcome.clusters} at the sides.`,
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
  widthM: number;
  visibleWidthM: number;
  extraClusters: number;
  mix: Mix;
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
  const { mix, sizes, clusterSize, pressFactor, pitchM, lengthM, width, spineClusters, clusters } = steps;
  const meanM = meanDiameterM(sizes);
  return [
    working(
      'Length of the line',
      'L = Σ of short chords of the smooth line',
      [],
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
      'the larger of both counts, and extra clusters',
      [
        ['by length', spineClusters],
        ['by volume', Math.round(steps.byVolume / clusterSize)],
        ['extra', steps.extraClusters],
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
        ['density', mix.fillers.triosPerM, 'per m'],
        ['L', lengthM, 'm'],
        ['W (mean over the taper)', width.meanM, 'm'],
      ],
      { value: steps.fillerTrios, unit: 'trios' },
      `about 20 on a 10 ft base: ${COMMON_PRACTICE}`,
    ),
  ];
}

/** "quads", "six-clusters". */
export function clusterName(size: number): string {
  return size === 4 ? 'quads' : `${{ 5: 'five', 6: 'six', 7: 'seven', 8: 'eight' }[size] ?? size}-clusters`;
}

/** Rate of twisting a cluster of so many balloons. */
export function twistRate(clusterSize: number): 'twist-quad' | 'twist-six' | 'twist-eight' {
  if (clusterSize <= 5) return 'twist-quad';
  return clusterSize <= 7 ? 'twist-six' : 'twist-eight';
}

/** Several dressings of one piece taken together; the first one's clusters stand for all. */
export function sumDressings(dressings: readonly [Dressing, ...Dressing[]]): Dressing {
  const sum = (part: 'lengthM' | 'spineClusters' | 'sideClusters' | 'fillerTrios') =>
    dressings.reduce((all, one) => all + one[part], 0);
  return {
    ...dressings[0],
    lengthM: sum('lengthM'),
    spineClusters: sum('spineClusters'),
    sideClusters: sum('sideClusters'),
    fillerTrios: sum('fillerTrios'),
    needs: dressings.flatMap((one) => one.needs),
    notes: [...new Set(dressings.flatMap((one) => one.notes))],
    working: dressings.flatMap((one) => one.working),
  };
}
