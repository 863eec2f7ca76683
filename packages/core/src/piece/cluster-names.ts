const numbers = ['five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
const few: Record<number, string> = { 1: 'singles', 2: 'duplets', 3: 'trios', 4: 'quads' };

/** "duplets", "quads", "six-clusters", "14-clusters". */
export const clusterName = (size: number): string => few[size] ?? `${numbers[size - 5] ?? size}-clusters`;

/** Clusters of one or several sizes by name: "quads", "clusters of 5 and 6". */
export function clusterSizesName(sizes: readonly number[]): string {
  const each = [...new Set(sizes)].sort((a, b) => a - b);
  return each.length === 1 ? clusterName(each[0] as number) : `clusters of ${each.join(' and ')}`;
}

/** Rate of twisting a cluster of so many balloons. */
export function twistRate(clusterSize: number): 'twist-quad' | 'twist-six' | 'twist-eight' {
  if (clusterSize <= 5) return 'twist-quad';
  return clusterSize <= 7 ? 'twist-six' : 'twist-eight';
}

/** Fillers of so many balloons by name: "filler trios". Told by it from clusters of the base that are as large. */
export const fillerName = (size: number): string => `filler ${clusterName(size)}`;

/** Whether balloons are tied into fillers, by the name of what they are tied into. */
export const isFillerName = (cluster: string): boolean => cluster.startsWith('filler ');

/** What single balloons on dashes are called that cover the edge a garland runs along. */
export const EDGE_SINGLES = 'edge singles';
