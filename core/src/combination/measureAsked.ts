import { pointOf, type PointUnit } from '../look';
import type { End, Range } from '../terminal';
import type { SetUp, WireSetUp } from './computeSetUp';
import type { Measure } from '../entry';

/** What a measured number is for, and where it has to lie. */
export interface MeasureAsked {
  readonly title: string;
  readonly unit: PointUnit;
  readonly range: Range;
}

/**
 * What a set-up asks of a measure; null where it asks for none.
 * @param wire the wire in the barrel whose strip length is meant: each is stripped to a window of its own
 * @param end of a splice, that is measured
 */
export function measureAsked(
  setUp: Pick<SetUp, 'criteria'>,
  what: Measure,
  wire: Pick<WireSetUp, 'preparation'> | undefined,
  end: End = 1,
): MeasureAsked | null {
  if (what === 'strip') {
    const range = wire?.preparation?.strip.window;
    return range ? { title: 'Strip length', unit: 'mm', range } : null;
  }
  const number = setUp.criteria.find((c) => c.code === what && c.end === end)?.number;
  return number ? { title: pointOf(what).title, unit: number.unit, range: number.range } : null;
}
