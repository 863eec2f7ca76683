/**
 * The shares with one set anew and the others kept in proportion, whole numbers that add up to 100.
 * @param shares per cent, adding up to 100
 */
export function withShare(shares: readonly number[], index: number, wanted: number): number[] {
  if (shares.length === 1) return [100];
  const value = Math.min(100, Math.max(0, Math.round(wanted)));
  const rest = 100 - value;
  const others = shares.map((share, i) => (i === index ? 0 : share));
  const sum = others.reduce((all, share) => all + share, 0);
  const exact = others.map((share, i) =>
    i === index ? 0 : sum > 0 ? (share / sum) * rest : rest / (shares.length - 1),
  );
  const parts = exact.map(Math.floor);
  parts[index] = value;
  const order = exact
    .map((share, i) => ({ i, left: share - Math.floor(share) }))
    .filter(({ i }) => i !== index)
    .sort((a, b) => b.left - a.left);
  let missing = 100 - parts.reduce((all, share) => all + share, 0);
  for (const { i } of order) {
    if (missing <= 0) break;
    parts[i] = (parts[i] as number) + 1;
    missing -= 1;
  }
  return parts;
}

/** The parts of a whole with the share of one set anew, the others in proportion. */
export function withShareOf<T extends { sharePct: number }>(
  parts: readonly T[],
  index: number,
  sharePct: number,
): T[] {
  const next = withShare(
    parts.map((part) => part.sharePct),
    index,
    sharePct,
  );
  return parts.map((part, i) => ({ ...part, sharePct: next[i] as number }));
}
