import type { ColourId, Filler, Mix, SizeShare, Working } from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import { chainLength } from '../geometry/line.ts';
import { apportion } from '../quantity/apportion.ts';
import { groupBy, sumOf } from '../quantity/group.ts';
import { doneTo, edgeSinglesOf } from './by-hand.ts';
import { clusterSizesName, EDGE_SINGLES, fillerName } from './cluster-names.ts';
import type { DressLine } from './dress-line.ts';
import { type ClusterCount, type DressSteps, FILLER_WIDTH_M } from './dress-steps.ts';
import { dressingNotes, dressingWorking } from './dressing-words.ts';
import { tiltToWidth } from './fit-width.ts';
import { shareIn } from './mix.ts';
import {
  type Backing,
  clusterMean,
  fewestPerM,
  narrowestM,
  overFewest,
  stringWidthM,
} from './organic-law.ts';
import type { Need } from './recipe.ts';
import { type ColouredCluster, stretched, stretchNeeds } from './stretches.ts';

/** Fewest balloons in a cluster that is clipped on to a pole. Common practice, no source. */
const ON_POLE_N = 4;
/** Pieces that the line is cut into where the width changes along it. */
const STEPS = 64;

/** So many fillers of one make. */
export interface FillerCount extends Filler {
  /** In the plural, told apart from those of another make: `filler trios`, `filler duplets of 9 in.` */
  name: string;
  size: number;
  count: number;
  /** As many a metre of a garland of the usual width. */
  perM: number;
}

/** Organic clusters along a line: counts, and what follows from them whatever they hang on. */
export interface Dressing {
  lengthM: number;
  visibleWidthM: number;
  /** Balloons in a cluster of the base on the mean, rounded. */
  clusterSize: number;
  /** Clusters of the string and of the sides by size, the smaller first. */
  clusters: { spine: ClusterCount[]; side: ClusterCount[] };
  spineClusters: number;
  sideClusters: number;
  /** Balloons of the colours that go one by one, evenly along and to the front. */
  singly: { colour: ColourId; count: number }[];
  /** The clusters in their order along the line, where each has its colour. */
  run?: ColouredCluster[] | undefined;
  /** Of each make, the ones for large gaps first. */
  fillers: FillerCount[];
  fillerClusters: number;
  /** Single balloons on dashes at the edges it runs along. */
  edgeSingles: number;
  /** Clusters that are tied in by hand where it would be thin; they are among those at the sides. */
  widened: number;
  needs: Need[];
  notes: string[];
  working: Working[];
}

/**
 * Counts of an organic garland, from the length of its line, its width and taper, its mix of sizes and colours.
 *
 * Length, width and number agree by construction: `N = F · ∫ max(1/d̄, 1.5 φ W · min(κ W, κ W16) / d3³) dl` balloons
 * fill the outline, whatever they are tied into. Clusters are as large as the width asks for, of two neighbouring
 * sizes; what is wider than eights on one string takes the rest at its sides.
 */
export function dress(line: DressLine): Dressing {
  const { chain, widthM, taper, mix, backing, onPole = false, extraClusters = 0 } = line;
  const edgeSingles = edgeSinglesOf(line);
  const lengthM = chainLength(chain);
  const fullness = mix.fullness ?? 'usual';
  const width = taperedWidth(widthM, taper);
  const fixed = mix.clusterSize === 'auto' ? undefined : mix.clusterSize;
  const sizes =
    mix.sizePolicy === 'fit-width' ? tiltToWidth(mix.sizes, fixed ?? 6, width.rmsM, backing) : mix.sizes;
  const most = stringWidthM(mix.clusterSize, sizes, backing);
  const over = overFewest(fullness, backing);
  const along = (limitM: number) => balloonsAlong(lengthM, width.at, limitM, sizes, backing);
  const fewest = along(Infinity);
  const total = Math.ceil(over * fewest - 1e-9);
  // As full as they are, these balloons fill so much more than the width that the fewest would.
  const filledM = Math.min(width.rmsM * Math.sqrt(over), most);
  const suited = clusterMean(filledM, mix.strung, sizes, backing);
  const clusterSize = fixed ?? (onPole ? Math.max(ON_POLE_N, suited) : suited);
  const string = Math.ceil(over * along(most) - 1e-9);
  // Nobody ties a cluster of one or two at a side: so few go on the string.
  const onString = total - string < clusterSize / 2 ? total : string;
  // A single balloon is no cluster.
  const least = onPole ? ON_POLE_N : 2;
  const usualSize = Math.round(clusterSize);
  const onCorners = extraClusters * usualSize;
  // In stretches of colour the clusters of corners and tail go on with them.
  const run = mix.stretches && stretched(mix.stretches, total + onCorners, onString);
  const spine = run?.spine ?? clustersOf(onString, clusterSize, fixed !== undefined, least);
  const placed = balloonsIn(spine);
  const side = run?.side ?? clustersOf(Math.max(0, total - placed), clusterSize, fixed !== undefined, least);
  const extra = extraClusters > 0 && !run ? [{ size: usualSize, count: extraClusters }] : [];
  const clusters = { spine, side: together([...side, ...extra]) };
  const fillers = fillersOf(mix, (lengthM * width.meanM) / FILLER_WIDTH_M);
  const steps: DressSteps = {
    widthM,
    visibleWidthM: Math.max(widthM, narrowestM(sizes, backing)),
    mix,
    sizes,
    backing,
    fullness,
    onPole,
    lengthM,
    meanWidthM: width.meanM,
    fewest,
    spine: placed,
    side: balloonsIn(side),
    extra: balloonsIn(extra),
    clusterSize,
    clusters,
    fillers,
  };
  const base = balloonsIn(spine) + balloonsIn(clusters.side);
  const cluster = clusterSizesName([...spine, ...clusters.side].map(({ size }) => size));
  return {
    lengthM,
    visibleWidthM: steps.visibleWidthM,
    clusterSize: run ? Math.round(base / run.clusters.length) : usualSize,
    clusters,
    spineClusters: clusterCount(spine),
    sideClusters: clusterCount(clusters.side),
    run: run?.clusters,
    fillers,
    singly: run ? [] : singlyOf(mix, sizes, base),
    fillerClusters: fillers.reduce((sum, { count }) => sum + count, 0),
    edgeSingles,
    widened: sumOf(doneTo(line, 'widen').map((one) => one.clusters)),
    needs: [
      ...(run ? stretchNeeds(run.clusters, sizes, cluster) : baseNeeds(mix, sizes, base, cluster)),
      ...fillers.flatMap((filler) => fillerNeeds(mix, filler)),
      ...edgeNeeds(mix, edgeSingles),
    ],
    notes: dressingNotes(steps),
    working: dressingWorking(steps),
  };
}

/** Base balloons of the colours that go one by one. */
function singlyOf(mix: Mix, sizes: readonly SizeShare[], base: number): Dressing['singly'] {
  const scarce = mix.colours.filter(({ singly }) => singly);
  if (scarce.length === 0) return [];
  const needs = baseNeeds(mix, sizes, base, '');
  return scarce.map(({ colour }) => ({
    colour,
    count: sumOf(needs.filter((need) => need.colour === colour).map(({ count }) => count)),
  }));
}

/** Balloons along a line, the fewest that fill it, `∫ ν(min(W, limit)) dl`. */
function balloonsAlong(
  lengthM: number,
  widthAt: (share: number) => number,
  limitM: number,
  sizes: readonly SizeShare[],
  backing: Backing,
): number {
  let sum = 0;
  for (let i = 0; i < STEPS; i++)
    sum += fewestPerM(Math.min(limitM, widthAt((i + 0.5) / STEPS)), sizes, backing);
  return (lengthM * sum) / STEPS;
}

/**
 * So many balloons in clusters of a mean size: of the two whole sizes next to what each must hold, so that none is left
 * over. Where the owner sets the size every cluster has it, and the last one fills up. @param least balloons in one
 */
function clustersOf(balloons: number, mean: number, isSet: boolean, least: number): ClusterCount[] {
  if (balloons === 0) return [];
  if (isSet) return [{ size: mean, count: Math.ceil(balloons / mean) }];
  const count = Math.max(1, Math.min(Math.round(balloons / mean), Math.floor(balloons / least)));
  const small = Math.floor(balloons / count);
  const larger = balloons - small * count;
  return [
    { size: small, count: count - larger },
    { size: small + 1, count: larger },
  ].filter((one) => one.count > 0);
}

function together(counts: readonly ClusterCount[]): ClusterCount[] {
  const bySize = new Map<number, number>();
  for (const { size, count } of counts) bySize.set(size, (bySize.get(size) ?? 0) + count);
  return [...bySize].map(([size, count]) => ({ size, count })).sort((a, b) => a.size - b.size);
}

const balloonsIn = (counts: readonly ClusterCount[]): number =>
  counts.reduce((sum, { size, count }) => sum + size * count, 0);
const clusterCount = (counts: readonly ClusterCount[]): number =>
  counts.reduce((sum, { count }) => sum + count, 0);

/** An outline that thins evenly from `widthM` to `taper · widthM`: its mean width, and the root of its mean square. */
function taperedWidth(widthM: number, taper: number) {
  return {
    meanM: (widthM * (1 + taper)) / 2,
    rmsM: widthM * Math.sqrt((1 + taper + taper ** 2) / 3),
    at: (share: number) => widthM * (1 - (1 - taper) * share),
  };
}

/** Balloons of the clusters: first by size, then each size by colour, so that both mixes hold to the balloon. */
function baseNeeds(mix: Mix, sizes: readonly SizeShare[], balloons: number, cluster: string): Need[] {
  const bySize = apportion(
    sizes.map((size) => size.sharePct),
    balloons,
  );
  return sizes.flatMap((size, i) =>
    dealColours(mix, bySize[i] as number, size.nominalIn).map(({ colour, count }) => ({
      role: 'base' as const,
      nominalIn: size.nominalIn,
      inflatedIn: size.inflatedIn,
      colour,
      count,
      cluster,
    })),
  );
}

/** Fillers of each make on so many metres of the width their density is quoted at. */
function fillersOf({ fillers, largeFillers }: Mix, metres: number): FillerCount[] {
  const { triosPerM, ...small } = fillers;
  const counted = [...(largeFillers ? [largeFillers] : []), { ...small, perM: triosPerM }]
    .map((filler) => ({ size: 3, ...filler, count: Math.round(filler.perM * metres) }))
    .filter(({ count }) => count > 0);
  return counted.map((filler) => {
    const { size, nominalIn, foldedFromIn } = filler;
    const ofSize = counted.length > 1 ? ` of ${sizeName(nominalIn)}` : '';
    const folded = foldedFromIn === undefined ? '' : ', folded';
    return { ...filler, name: `${fillerName(size)}${ofSize}${folded}` };
  });
}

/** Balloons of fillers: as many as they have, or half as many larger ones where they are folded. */
function fillerNeeds(mix: Mix, filler: FillerCount): Need[] {
  const { name, nominalIn, inflatedIn, size, count, foldedFromIn } = filler;
  return dealColours(mix, count * size, nominalIn).map((dealt) => ({
    role: 'filler' as const,
    nominalIn: foldedFromIn ?? nominalIn,
    inflatedIn,
    colour: dealt.colour,
    count: foldedFromIn === undefined ? dealt.count : Math.ceil(dealt.count / 2),
    cluster: name,
  }));
}

/** Single balloons at edges: of the size of fillers, all blown to the middle of their range, as dashes want them. */
function edgeNeeds(mix: Mix, count: number): Need[] {
  const { nominalIn } = mix.fillers;
  const inflatedIn = (mix.fillers.inflatedIn.min + mix.fillers.inflatedIn.max) / 2;
  return dealColours(mix, count, nominalIn).map((dealt) => ({
    role: 'accent' as const,
    nominalIn,
    inflatedIn: { min: inflatedIn, max: inflatedIn },
    colour: dealt.colour,
    count: dealt.count,
    cluster: EDGE_SINGLES,
  }));
}

/** Balloons of one size by colour: each by its share among those of that size. */
function dealColours(mix: Mix, balloons: number, nominalIn: number): { colour: ColourId; count: number }[] {
  const counts = apportion(
    mix.colours.map((share) => shareIn(share, nominalIn)),
    balloons,
  );
  return mix.colours
    .map(({ colour }, i) => ({ colour, count: counts[i] as number }))
    .filter(({ count }) => count > 0);
}

/** Several dressings of one piece taken together; the first one's clusters stand for all. */
export function sumDressings(dressings: readonly [Dressing, ...Dressing[]]): Dressing {
  const sum = (
    part: 'lengthM' | 'spineClusters' | 'sideClusters' | 'fillerClusters' | 'edgeSingles' | 'widened',
  ) => dressings.reduce((all, one) => all + one[part], 0);
  return {
    ...dressings[0],
    lengthM: sum('lengthM'),
    clusters: {
      spine: together(dressings.flatMap((one) => one.clusters.spine)),
      side: together(dressings.flatMap((one) => one.clusters.side)),
    },
    spineClusters: sum('spineClusters'),
    sideClusters: sum('sideClusters'),
    singly: [
      ...groupBy(
        dressings.flatMap(({ singly }) => singly),
        ({ colour }) => colour,
      ),
    ].map(([colour, own]) => ({ colour, count: sumOf(own.map(({ count }) => count)) })),
    fillers: fillersTogether(dressings.flatMap((one) => one.fillers)),
    fillerClusters: sum('fillerClusters'),
    edgeSingles: sum('edgeSingles'),
    widened: sum('widened'),
    needs: dressings.flatMap((one) => one.needs),
    notes: [...new Set(dressings.flatMap((one) => one.notes))],
    working: dressings.flatMap((one) => one.working),
  };
}

/** Fillers of one make added up. */
function fillersTogether(fillers: readonly FillerCount[]): FillerCount[] {
  const makes = groupBy(fillers, ({ count: _, perM: __, ...make }) => JSON.stringify(make));
  return [...makes.values()].map((alike) => ({
    ...(alike[0] as FillerCount),
    count: alike.reduce((sum, { count }) => sum + count, 0),
  }));
}
