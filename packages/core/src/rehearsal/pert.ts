/** Random numbers from 0 to 1. */
export type Random = () => number;

/** A standard normal number, by Marsaglia's polar method. */
export function normal(random: Random): number {
  for (;;) {
    const [u, v] = [2 * random() - 1, 2 * random() - 1];
    const s = u * u + v * v;
    if (s > 0 && s < 1) return u * Math.sqrt((-2 * Math.log(s)) / s);
  }
}

/** How finely the share of the usual between quick and slow is told apart, and how finely each distribution. */
const SHARES = 64;
const STEPS = 1024;
/** Points of the integration for each. */
const FINE = 8192;

/** Quantiles at `0, 1/STEPS … 1` of the beta distribution with `1 + 4 m` and `5 − 4 m`, by `m · SHARES`. */
const tables = new Map<number, Float64Array>();

/** Quantiles by summing the density, so that a number costs one look-up: the rehearsal asks for millions. */
function quantiles(step: number): Float64Array {
  const known = tables.get(step);
  if (known) return known;
  const m = step / SHARES;
  const sums = new Float64Array(FINE + 1);
  for (let i = 0; i < FINE; i++) {
    const x = (i + 0.5) / FINE;
    sums[i + 1] = (sums[i] as number) + x ** (4 * m) * (1 - x) ** (4 - 4 * m);
  }
  const all = sums[FINE] as number;
  const table = new Float64Array(STEPS + 1);
  let at = 0;
  for (let k = 0; k <= STEPS; k++) {
    const wanted = (k / STEPS) * all;
    while (at < FINE - 1 && (sums[at + 1] as number) < wanted) at++;
    const [low, high] = [sums[at] as number, sums[at + 1] as number];
    table[k] = Math.min(1, (at + Math.max(0, wanted - low) / (high - low)) / FINE);
  }
  tables.set(step, table);
  return table;
}

/**
 * Durations between quick and slow, mostly about the usual: beta-PERT, mean `(quick + 4 usual + slow) / 6`.
 * @returns deals one, in the unit given; `usual` itself where nothing varies
 */
export function pert(quick: number, usual: number, slow: number): (random: Random) => number {
  const width = slow - quick;
  if (!(width > 0)) return () => usual;
  const share = Math.min(SHARES, Math.max(0, (SHARES * (usual - quick)) / width));
  const step = Math.min(SHARES - 1, Math.floor(share));
  const [low, high] = [quantiles(step), quantiles(step + 1)];
  const table = low.map((one, k) => quick + width * (one + ((high[k] as number) - one) * (share - step)));
  return (random) => {
    const at = random() * STEPS;
    const k = Math.min(STEPS - 1, Math.floor(at));
    const below = table[k] as number;
    return below + ((table[k + 1] as number) - below) * (at - k);
  };
}
