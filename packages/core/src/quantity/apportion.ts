/**
 * Whole numbers by share: `total` balloons dealt to shares that add up to 100 %.
 *
 * Plain largest-remainder rounding sums exactly, but it can take a balloon away from one colour when the
 * total rises by one (the Alabama paradox). The quota method keeps what we want of it (exact sum, every
 * part at most one off its exact share) and never lowers a part: balloon after balloon goes to the largest
 * share per balloon already held plus one, passing over a part that would exceed its share rounded up.
 * Source: Balinski and Young, "The quota method of apportionment", Amer. Math. Monthly 82 (1975).
 *
 * @param shares weights, 0 or more, not all 0
 * @param total whole number, 0 or more
 * @returns whole numbers that add up to `total`, in the order of `shares`
 */
export function apportion(shares: readonly number[], total: number): number[] {
  const sum = shares.reduce((acc, share) => acc + share, 0);
  if (!(sum > 0)) throw new RangeError('apportion: the shares are all zero');
  if (!Number.isInteger(total) || total < 0) throw new RangeError(`apportion: ${total} is not a count`);
  const parts = shares.map(() => 0);
  for (let dealt = 1; dealt <= total; dealt++) {
    let best = -1;
    let bestClaim = -1;
    for (let i = 0; i < shares.length; i++) {
      const share = shares[i] as number;
      const held = parts[i] as number;
      const belowQuota = held < (share / sum) * dealt - 1e-12;
      const claim = share / (held + 1);
      if (belowQuota && claim > bestClaim) {
        best = i;
        bestClaim = claim;
      }
    }
    parts[best] = (parts[best] as number) + 1;
  }
  return parts;
}
