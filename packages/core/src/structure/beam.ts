/** A weight on a line: where, in metres from its start, and how heavy, in newtons. */
export interface PointLoad {
  atM: number;
  loadN: number;
}

/**
 * Reactions of a continuous beam on rigid supports with free overhangs, newtons, one for each support.
 *
 * Clapeyron's theorem of three moments for point loads between the supports, the overhangs' moments given; two
 * supports are statics alone. A single support takes everything.
 * @param supports positions in metres, rising
 */
export function beamReactions(supports: readonly number[], loads: readonly PointLoad[]): number[] {
  const n = supports.length;
  if (n === 0) throw new RangeError('a line needs at least one point');
  const all = loads.reduce((sum, { loadN }) => sum + loadN, 0);
  if (n === 1) return [all];
  const at = (i: number) => supports[i] as number;
  const first = at(0);
  const last = at(n - 1);
  const spans = Array.from({ length: n - 1 }, (_, i) => at(i + 1) - at(i));
  if (spans.some((span) => !(span > 0))) throw new RangeError('points must lie one after the other');
  const inSpan = spans.map((_, i) => loads.filter(({ atM }) => atM > at(i) && atM <= at(i + 1)));
  const left = loads.filter(({ atM }) => atM <= first);
  const right = loads.filter(({ atM }) => atM > last);
  // Bending moments over the supports, sagging positive: the overhangs pull their ends down.
  const moments = new Array<number>(n).fill(0);
  moments[0] = -left.reduce((sum, { atM, loadN }) => sum + loadN * (first - atM), 0);
  moments[n - 1] = -right.reduce((sum, { atM, loadN }) => sum + loadN * (atM - last), 0);
  if (n > 2) innerMoments(moments, spans, inSpan, supports);

  const reactions = new Array<number>(n).fill(0);
  const add = (i: number, force: number) => {
    reactions[i] = (reactions[i] as number) + force;
  };
  add(
    0,
    left.reduce((sum, { loadN }) => sum + loadN, 0),
  );
  add(
    n - 1,
    right.reduce((sum, { loadN }) => sum + loadN, 0),
  );
  spans.forEach((span, i) => {
    // Shear at the span's ends: simply supported, and what the end moments differ by.
    const tilt = ((moments[i + 1] as number) - (moments[i] as number)) / span;
    let toRight = 0;
    let sum = 0;
    for (const { atM, loadN } of inSpan[i] ?? []) {
      toRight += (loadN * (atM - at(i))) / span;
      sum += loadN;
    }
    add(i, sum - toRight + tilt);
    add(i + 1, toRight - tilt);
  });
  return reactions;
}

/** Three-moment equations, tridiagonal, by elimination. Fills the inner moments in. */
function innerMoments(
  moments: number[],
  spans: readonly number[],
  inSpan: readonly (readonly PointLoad[])[],
  supports: readonly number[],
): void {
  const n = moments.length;
  const diagonal: number[] = [];
  const rightSide: number[] = [];
  for (let i = 1; i < n - 1; i++) {
    const [l, r] = [spans[i - 1] as number, spans[i] as number];
    let load = 0;
    for (const { atM, loadN } of inSpan[i - 1] ?? []) {
      const a = atM - (supports[i - 1] as number);
      load += (loadN * a * (l ** 2 - a ** 2)) / l;
    }
    for (const { atM, loadN } of inSpan[i] ?? []) {
      const b = (supports[i + 1] as number) - atM;
      load += (loadN * b * (r ** 2 - b ** 2)) / r;
    }
    let value = -load;
    if (i === 1) value -= l * (moments[0] as number);
    if (i === n - 2) value -= r * (moments[n - 1] as number);
    diagonal.push(2 * (l + r));
    rightSide.push(value);
  }
  for (let k = 1; k < diagonal.length; k++) {
    const off = spans[k] as number;
    const share = off / (diagonal[k - 1] as number);
    diagonal[k] = (diagonal[k] as number) - share * off;
    rightSide[k] = (rightSide[k] as number) - share * (rightSide[k - 1] as number);
  }
  for (let k = diagonal.length - 1; k >= 0; k--) {
    const next = k + 1 < diagonal.length ? (spans[k + 1] as number) * (moments[k + 2] as number) : 0;
    moments[k + 1] = ((rightSide[k] as number) - next) / (diagonal[k] as number);
  }
}

/** What each support takes of a limp string: everything nearer to it than to its neighbours, newtons. */
export function tributaryLoads(supports: readonly number[], loads: readonly PointLoad[]): number[] {
  return supports.map((at, i) => {
    const from = i === 0 ? -Infinity : (at + (supports[i - 1] as number)) / 2;
    const to = i === supports.length - 1 ? Infinity : (at + (supports[i + 1] as number)) / 2;
    return loads.reduce((sum, { atM, loadN }) => (atM > from && atM <= to ? sum + loadN : sum), 0);
  });
}
