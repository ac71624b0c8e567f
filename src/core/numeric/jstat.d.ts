/** What is asked of the package, which brings no types. */
declare module 'jstat' {
  const jstat: {
    readonly jStat: {
      readonly normal: {
        /** Quantile. @param p above 0 and below 1 */
        readonly inv: (p: number, mean: number, std: number) => number;
      };
    };
  };
  export default jstat;
}
