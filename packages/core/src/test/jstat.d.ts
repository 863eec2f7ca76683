declare module 'jstat' {
  export const jStat: { binomial: { cdf(k: number, n: number, p: number): number } };
}
