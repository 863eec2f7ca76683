declare module 'jstat' {
  export const jStat: {
    binomial: { cdf(k: number, n: number, p: number): number };
    beta: { inv(share: number, alpha: number, beta: number): number };
  };
}
