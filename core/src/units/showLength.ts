import { MM_PER_INCH } from './length';

export const LENGTH_SHOWN = ['mm', 'in', 'in/64'] as const;
/** How lengths are shown: millimetres, decimal inches, or inches to the nearest 1/64. */
export type LengthShown = (typeof LENGTH_SHOWN)[number];

/**
 * A length for the reader, with its unit. Fractions are the nearest 1/64 and marked as such, since they seldom are exact.
 * @param millimetres length; a difference may be negative
 * @example showLength(9.5, 'in/64') // '≈ 3/8 in'
 */
export function showLength(millimetres: number, shown: LengthShown, decimals = 1): string {
  if (shown === 'mm') return `${millimetres.toFixed(decimals)} mm`;
  if (shown === 'in') return `${(millimetres / MM_PER_INCH).toFixed(decimals + 2)} in`;
  const size = Math.abs(millimetres);
  const parts = Math.round((size / MM_PER_INCH) * 64);
  const exact = Math.abs((parts / 64) * MM_PER_INCH - size) < 1e-9;
  let [top, bottom] = [parts % 64, 64];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const whole = Math.floor(parts / 64);
  const words = [whole || top === 0 ? String(whole) : '', top ? `${top}/${bottom}` : ''].filter((word) => word !== '');
  return `${exact ? '' : '≈ '}${millimetres < 0 && parts > 0 ? '-' : ''}${words.join(' ')} in`;
}
