/**
 * Spares so that a lot comes out complete with a wanted chance: the least `m` for which
 * `P(Binomial(m, 1 − loss) ≥ need) ≥ target`; the spares are `m − need`.
 *
 * @param need balloons that must hang, 0 or more
 * @param loss chance that one is lost, 0 to below 1
 * @param target chance wanted, below 1
 */
export function sparesFor(need: number, loss: number, target: number): number {
  if (loss < 0 || loss >= 1) throw new RangeError(`loss ${loss} is not a chance below 1`);
  if (target >= 1) throw new RangeError('certainty needs endless spares: ask for a chance below 1');
  if (need === 0 || loss === 0) return 0;
  // P(m = need + s suffices) = Σ_{k ≤ s} C(need − 1 + k, k) loss^k (1 − loss)^need: the chance that the
  // need-th good balloon comes after k lost ones. Summed term by term in logarithms, so that it never underflows.
  const logGood = need * Math.log(1 - loss);
  let logTerm = 0;
  let chance = Math.exp(logGood);
  let spare = 0;
  while (chance < target) {
    spare += 1;
    logTerm += Math.log((need - 1 + spare) / spare) + Math.log(loss);
    chance += Math.exp(logGood + logTerm);
  }
  return spare;
}
