/** The few functions of jstat that are used; the package ships no types of its own. */
declare module 'jstat' {
  interface Jstat {
    erf(x: number): number;
    gammaln(x: number): number;
    readonly normal: { inv(p: number, mean: number, std: number): number };
  }
  const jstat: { readonly jStat: Jstat };
  export default jstat;
}
