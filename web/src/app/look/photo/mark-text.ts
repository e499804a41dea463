import { measureMark, type PhotoMark, type PhotoScale } from '@tug-mark/core';

/** What a mark measures, with how far it may be off: '1.500 mm (±0.012)'. */
export function markText(mark: PhotoMark, scale: PhotoScale | null): string {
  const found = measureMark(mark, scale);
  if (!found) return 'needs a scale';
  const digits = found.unit === '°' ? 1 : 3;
  return `${found.value.toFixed(digits)} ${found.unit} (±${found.within.toFixed(digits)})`;
}
