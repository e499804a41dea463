import { encode } from 'uqr';

/** Path data of a QR code, `side` units wide with its left upper corner at x, y; four modules of quiet zone are the caller's. */
export function qrPath(content: string, x: number, y: number, side: number): string {
  const { data, size } = encode(content, { ecc: 'M', border: 0 });
  const cell = side / size;
  const at = (index: number, from: number) => (from + index * cell).toFixed(3);
  const step = cell.toFixed(3);
  return data
    .flatMap((row, r) => row.map((dark, c) => (dark ? `M${at(c, x)} ${at(r, y)}h${step}v${step}h-${step}Z` : '')))
    .join('');
}
