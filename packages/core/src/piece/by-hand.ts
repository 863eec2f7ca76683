import type { ByHand } from '@early-lantern/contract';
import type { DressLine } from './dress-line.ts';

/** What was done to one line, of one sort. */
type Done<W extends ByHand['what']> = Extract<ByHand, { what: W }>;

/** A line with what its mix says was done to it by hand: clusters that widen it are tied besides. @param index of the piece's lines */
export function withByHand(line: DressLine, index = 0): DressLine {
  const byHand = (line.mix.byHand ?? []).filter((one) => (one.line ?? 0) === index);
  if (byHand.length === 0) return line;
  const { extraClusters = 0, extraAt = [] } = line;
  const widened = doneTo({ byHand }, 'widen').flatMap(({ at, clusters }) =>
    Array.from({ length: clusters }, () => at),
  );
  return {
    ...line,
    byHand,
    extraClusters: extraClusters + widened.length,
    extraAt: [...extraAt, ...widened],
  };
}

/** What was done of one sort. */
export const doneTo = <W extends ByHand['what']>(
  { byHand = [] }: Pick<DressLine, 'byHand'>,
  what: W,
): Done<W>[] => byHand.filter((one): one is Done<W> => one.what === what);

/** Single balloons on dashes at the edges that a line runs along. */
export const edgeSinglesOf = (line: DressLine): number =>
  doneTo(line, 'edge').reduce((sum, { singles }) => sum + singles, 0);

/** Which of so many clusters, tied at these places along a line, is nearest to a share of its length. */
export function nearestCluster(ties: readonly { along: number }[], share: number, lengthM: number): number {
  const far = (i: number) => Math.abs((ties[i]?.along ?? Infinity) - share * lengthM);
  return ties.reduce((best, _, i) => (far(i) < far(best) ? i : best), 0);
}
