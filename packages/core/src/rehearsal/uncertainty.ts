/** Of a normal distribution, 95 % lie within so many deviations. */
const Z = 1.96;

/**
 * Half the width of the interval that holds the true chance on 95 of 100 such samples (Wilson's score interval, 1927).
 * @param chance share of the runs that came off, 0 to 1; @param runs how many there were, one or more
 */
export function uncertaintyOf(chance: number, runs: number): number {
  const spread = Math.sqrt((chance * (1 - chance)) / runs + (Z / (2 * runs)) ** 2);
  return (Z * spread) / (1 + Z ** 2 / runs);
}

/** "83 of 100 rehearsed days (± 2)": a chance with its uncertainty, points of a hundred. */
export function chanceText(chance: number, runs: number, of = ''): string {
  const points = Math.max(1, Math.round(100 * uncertaintyOf(chance, runs)));
  return `${Math.round(100 * chance)} of 100${of && ` ${of}`} (± ${points})`;
}
