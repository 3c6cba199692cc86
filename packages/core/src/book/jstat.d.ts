/** What is used of a library that has no types of its own. */
declare module 'jstat' {
  interface Statistics {
    readonly gamma: { inv(share: number, shape: number, scale: number): number };
    readonly beta: { inv(share: number, alpha: number, beta: number): number };
    gammaln(x: number): number;
  }
  const jStat: Statistics;
  export default jStat;
}
