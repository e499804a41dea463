import { pointOf, type PointUnit } from '../look';
import type { Range } from '../terminal';
import type { SetUp } from './computeSetUp';
import type { Measure } from '../entry';

/** What a measured number is for, and where it has to lie. */
export interface MeasureAsked {
  readonly title: string;
  readonly unit: PointUnit;
  readonly range: Range;
}

/** What a set-up asks of a measure; null where it asks for none. */
export function measureAsked(setUp: Pick<SetUp, 'measures' | 'criteria'>, what: Measure): MeasureAsked | null {
  if (what === 'strip') {
    return setUp.measures.strip && { title: 'Strip length', unit: 'mm', range: setUp.measures.strip };
  }
  const number = setUp.criteria.find((c) => c.code === what)?.number;
  return number ? { title: pointOf(what).title, unit: number.unit, range: number.range } : null;
}
