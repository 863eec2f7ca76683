import type { ColourId, SizeShare, Stretch } from '@early-lantern/contract';
import { apportion } from '../quantity/apportion.ts';
import type { ClusterCount } from './dress-steps.ts';
import type { Need } from './recipe.ts';

/** A cluster of one colour in its place along the line. */
export interface ColouredCluster {
  size: number;
  colour: ColourId;
}

/**
 * Clusters of the stretches one after the other, and over again, until they hold as many balloons as length and width
 * ask for. What the string does not hold sits at the sides.
 * @param balloons in all
 * @param onString of them, those that the string holds
 */
export function stretched(stretches: readonly Stretch[], balloons: number, onString: number) {
  const once = stretches.flatMap(({ colour, clusterSize, clusters }) =>
    Array.from({ length: clusters }, () => ({ size: clusterSize, colour })),
  );
  const clusters: ColouredCluster[] = [];
  let held = 0;
  let strung = 0;
  for (let i = 0; held < balloons; i++) {
    const next = once[i % once.length] as ColouredCluster;
    if (held < onString) strung++;
    clusters.push(next);
    held += next.size;
  }
  return { clusters, spine: counted(clusters.slice(0, strung)), side: counted(clusters.slice(strung)) };
}

function counted(clusters: readonly ColouredCluster[]): ClusterCount[] {
  const bySize = new Map<number, number>();
  for (const { size } of clusters) bySize.set(size, (bySize.get(size) ?? 0) + 1);
  return [...bySize].map(([size, count]) => ({ size, count })).sort((a, b) => a.size - b.size);
}

/** Balloons of the clusters: each colour has as many as its clusters hold, in the sizes of the mix. */
export function stretchNeeds(
  clusters: readonly ColouredCluster[],
  sizes: readonly SizeShare[],
  cluster: string,
): Need[] {
  const byColour = new Map<string, number>();
  for (const { size, colour } of clusters) byColour.set(colour, (byColour.get(colour) ?? 0) + size);
  return sizes.flatMap((size, i) =>
    [...byColour].flatMap(([colour, balloons]): Need[] => {
      const shares = sizes.map(({ sharePct }) => sharePct);
      const count = apportion(shares, balloons)[i] as number;
      const { nominalIn, inflatedIn } = size;
      return count > 0 ? [{ role: 'base', nominalIn, inflatedIn, colour, count, cluster }] : [];
    }),
  );
}
