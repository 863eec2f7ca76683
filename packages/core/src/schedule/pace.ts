/** Whole minutes of work that takes `hands` of the usual pace so many, when those who do it have these paces together. */
export const minutesAt = (minutes: number, hands: number, paces: number): number =>
  hands === 0 || minutes === 0 ? minutes : Math.max(1, Math.ceil((minutes * hands) / paces - 1e-9));

/** The paces of so many of some people together: of the quickest, or of the slowest. */
export function pacesOf(paces: readonly number[], hands: number, which: 'quickest' | 'slowest'): number {
  const sorted = paces.toSorted((a, b) => (which === 'quickest' ? b - a : a - b));
  return sorted.slice(0, hands).reduce((sum, pace) => sum + pace, 0);
}
