/**
 * Whether a curve's peak and the force that is kept are of one pull: they lie within 2 % of the peak, or 1 N.
 * @param peak of the curve, N
 * @param force kept, N
 */
export function curveAgrees(peak: number, force: number): boolean {
  return Math.abs(peak - force) <= Math.max(1, 0.02 * peak);
}
