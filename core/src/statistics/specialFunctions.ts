// @ts-expect-error the package ships no types of its own; the few functions in use are typed below
import jstat from 'jstat';

interface SpecialFunctions {
  erf(x: number): number;
  /** Natural logarithm of the gamma function. */
  gammaln(x: number): number;
  readonly normal: {
    inv(p: number, mean: number, std: number): number;
    cdf(x: number, mean: number, std: number): number;
  };
  readonly studentt: { inv(p: number, dof: number): number };
}

/** Error function, log gamma, and quantiles of the normal and of Student's t, from jstat. */
export const { erf, gammaln, normal, studentt } = (jstat as { readonly jStat: SpecialFunctions }).jStat;
