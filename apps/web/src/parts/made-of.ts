import type { PlanPiece } from '@early-lantern/contract';
import { counted, plural } from '@early-lantern/core';

/** What a piece is made of, the same on every paper: "32 clusters of 4", "38 filler trios"; "12 five-clusters", "1 flower". */
export function madeOf({ kind, clusters, clusterSize, assemblies }: PlanPiece): string[] {
  if (kind !== 'organic-garland') return assemblies.map(({ count, name }) => counted(count, name));
  const base = assemblies.filter(({ part }) => part !== 'fillers');
  const sizes = base.map(({ count, size }) => `${count} of ${size}`).join(', ');
  return [
    base.length > 1
      ? `${plural(clusters, 'cluster')}: ${sizes}`
      : `${plural(clusters, 'cluster')} of ${base[0]?.size ?? clusterSize}`,
    ...assemblies.filter(({ part }) => part === 'fillers').map(({ count, name }) => counted(count, name)),
  ];
}
