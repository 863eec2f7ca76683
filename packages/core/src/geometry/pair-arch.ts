/** The bow of crossed duplets on a tight string. Same length unit throughout. */
export interface PairBow {
  /** Along the outer line from one duplet to the next. */
  pitch: number;
  /** Between the outer and the inner line. */
  gap: number;
  /** Of the inner line. */
  innerRadius: number;
  /** Turned by each duplet, radians. */
  anglePerDuplet: number;
}

/**
 * Duplets of a large balloon outside and a small one inside, alternately crossed at right angles: with `m` the mean
 * diameter, `g = m cos 45°`, `p = sqrt(D² − m²/2)`, `R_i = g / (D/d − 1)`, angle `p / (R_i + g)`. Derived here.
 *
 * @param outside diameter D of the large balloons
 * @param inside diameter d of the small ones, below D
 */
export function pairBow(outside: number, inside: number): PairBow {
  if (!(outside > inside && inside > 0)) throw new RangeError('the outside balloons must be the larger ones');
  const mean = (outside + inside) / 2;
  const gap = mean * Math.SQRT1_2;
  const pitch = Math.sqrt(outside ** 2 - mean ** 2 / 2);
  const innerRadius = gap / (outside / inside - 1);
  return { pitch, gap, innerRadius, anglePerDuplet: pitch / (innerRadius + gap) };
}

/** Radius of the string itself, midway between the lines. */
const stringRadius = (bow: PairBow) => bow.innerRadius + bow.gap / 2;

/** Chord and rise of the string after so many duplets. */
export function bowSpan(bow: PairBow, duplets: number): { span: number; rise: number } {
  const half = (bow.anglePerDuplet * duplets) / 2;
  return { span: 2 * stringRadius(bow) * Math.sin(half), rise: stringRadius(bow) * (1 - Math.cos(half)) };
}

/**
 * Duplets whose bow comes nearest to `span`; undefined where the balloons curve so strongly that even a half circle
 * falls short.
 */
export function dupletsFor(bow: PairBow, span: number): number | undefined {
  const share = span / (2 * stringRadius(bow));
  if (share > 1) return undefined;
  return Math.max(1, Math.round((2 * Math.asin(share)) / bow.anglePerDuplet));
}
