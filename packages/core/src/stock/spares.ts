/** A product of a job: so many of it must hang, each is lost with a chance, and so many spares it takes whatever the loss. */
export interface Wanted {
  need: number;
  /** Chance that one is lost, 0 to below 1. */
  loss: number;
  least: number;
}

/**
 * The fewest spares in all so that every product of a job comes out complete with a wanted chance:
 * `min Σ s_p` subject to `Π F_p(s_p) ≥ target`, where `F_p(s) = P(NegBin(n_p, 1 − q_p) ≤ s)` is the chance that at most
 * `s` are lost before the last one needed is good. A spare serves every lot and diameter of its product.
 *
 * Exact: `log F_p` is concave in `s`, so the spare that raises the sum of the logarithms most is always the next one of
 * a fewest set.
 *
 * @param target chance wanted, below 1
 * @returns spares of each product, in the order given
 */
export function jointSpares(products: readonly Wanted[], target: number): number[] {
  if (target >= 1) throw new RangeError('certainty needs endless spares: ask for a chance below 1');
  const chances = products.map(({ need, loss, least }) => chanceFrom(need, loss, least));
  const wanted = Math.log(target);
  let reached = chances.reduce((sum, { logF }) => sum + logF, 0);
  while (reached < wanted - 1e-12) {
    const best = chances.reduce((a, b) => (b.gain > a.gain ? b : a));
    reached += best.gain;
    best.add();
  }
  return chances.map(({ spares }) => spares);
}

/** The chance that a product comes out complete, one spare after the other; in logarithms, so that it never underflows. */
function chanceFrom(need: number, loss: number, least: number) {
  if (loss < 0 || loss >= 1) throw new RangeError(`loss ${loss} is not a chance below 1`);
  const isSure = need === 0 || loss === 0;
  // F(s) = (1 − q)^n Σ_{k ≤ s} C(n − 1 + k, k) q^k.
  const logGood = isSure ? 0 : need * Math.log(1 - loss);
  let spares = 0;
  let logTerm = 0;
  let logSum = 0;
  const next = () => logTerm + Math.log((need + spares) / (spares + 1)) + Math.log(loss);
  const add = () => {
    if (!isSure) {
      logTerm = next();
      logSum += Math.log1p(Math.exp(logTerm - logSum));
    }
    spares += 1;
  };
  while (spares < least) add();
  return {
    add,
    get spares() {
      return spares;
    },
    get logF() {
      return Math.min(0, logGood + logSum);
    },
    /** By how much one more raises the logarithm of the chance. */
    get gain() {
      return isSure ? 0 : Math.log1p(Math.exp(next() - logSum));
    },
  };
}
