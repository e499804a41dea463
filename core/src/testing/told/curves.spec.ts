import { readTrace } from '../../tug';
import type { Range } from '../../terminal';
import { GAUGES, makePull, WAYS, type Gauge } from '../pulls';
import { tellReason, whole } from './tell';
import { holdTold, type Told } from './hold';
import approved from './curves.json';

/** Faster gauges send ten times as much and tell nothing else. */
const MOST_RATE = 2000;
/** Gauges each way is pulled on. */
const EACH = 3;

/** What is read of a curve of another physics: numbers, suggestion, notes. */
function tellCurve(way: string, gauge: Gauge, seed: number, loadingRate: Range | null): string[] {
  const pull = makePull(way, gauge, seed);
  const result = readTrace(pull.trace, { ...pull.about, loadingRate, speed: { min: 25, max: 60 } });
  if (!result.ok) return [tellReason('refused', result.reason)];
  const { reasons, suggestion, ...numbers } = result.read;
  return [
    `read | ${whole(numbers)}`,
    `suggested | ${whole(suggestion)}`,
    ...reasons.map((each) => tellReason('read', each)),
  ];
}

const gauges = GAUGES.filter(({ rate }) => rate <= MOST_RATE);

/** Each way on gauges in turn. */
const told: Told = new Map(
  Object.keys(WAYS).flatMap((way, w) =>
    Array.from({ length: EACH }, (_, i): [string, () => string[]] => {
      const gauge = gauges[(w * EACH + i) % gauges.length] as Gauge;
      return [`${way}, ${gauge.name}`, () => tellCurve(way, gauge, 71 + w, w % 2 ? { min: 20, max: 60 } : null)];
    }),
  ),
);

holdTold({ in: 'curves', of: 'a curve', inSentences: true }, told, approved);
