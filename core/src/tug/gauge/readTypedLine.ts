import { ANY_FORCE_UNIT, forceUnitOf } from '../../units';
import { openLinePattern, readGaugeLine } from './linePattern';

/** What a gauge that types like a keyboard is described by; a station's own gauge. */
export interface TypingGauge {
  readonly pattern: string;
  readonly unit: string;
}

/** A number with its unit somewhere in a line. */
const VALUE = new RegExp(`(?<![\\d.,])([+-]?\\d+(?:[.,]\\d+)?)\\s*(${ANY_FORCE_UNIT})(?![A-Za-z])`, 'gi');
const PLAIN = new RegExp(`^[+-]?[\\d.,]+(\\s*(${ANY_FORCE_UNIT}))?$`, 'i');

/**
 * The force in a line as gauges type it: 'ST,GS,+00118.4 N', 'PEAK 26.6 lbf OK', with control characters around it. What a
 * person types is left as it is. The station's own gauge is asked first, by its pattern; else the one number that has a
 * unit beside it is taken, and where there are several, none.
 *
 * @returns what to read as a typed force, e.g. '118.4 N'; the text itself where nothing better is known
 */
export function readTypedLine(text: string, gauge: TypingGauge | null): string {
  // eslint-disable-next-line no-control-regex -- STX, ETX and their like frame the lines of many gauges
  const line = text.replace(/[\u0000-\u001f\u007f]+/g, ' ').trim();
  if (line === '' || PLAIN.test(line)) return line;
  const unit = forceUnitOf(gauge?.unit);
  const pattern = gauge && unit ? openLinePattern(gauge.pattern, unit) : null;
  if (pattern?.ok) {
    const read = readGaugeLine(line, pattern.pattern);
    if (read.outcome === 'force' && Number.isFinite(read.newtons)) return `${Number(read.newtons.toFixed(6))} N`;
  }
  const values = [...line.matchAll(VALUE)];
  const [only] = values;
  if (values.length !== 1 || !only) return line;
  return `${Number((only[1] ?? '').replace(',', '.'))} ${forceUnitOf(only[2]) ?? ''}`.trim();
}
