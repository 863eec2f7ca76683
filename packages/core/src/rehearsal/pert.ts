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

/** A gamma number of shape at least 1 and scale 1. Marsaglia and Tsang, ACM TOMS 26 (2000), from memory. */
function gamma(shape: number, random: Random): number {
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/**
 * A duration between quick and slow, mostly about the usual: beta-PERT, mean `(quick + 4 usual + slow) / 6`.
 * @returns same unit as given; `usual` itself where nothing varies
 */
export function pert(quick: number, usual: number, slow: number, random: Random): number {
  const width = slow - quick;
  if (!(width > 0)) return usual;
  const a = gamma(1 + (4 * (usual - quick)) / width, random);
  const b = gamma(1 + (4 * (slow - usual)) / width, random);
  return quick + (width * a) / (a + b);
}
