import { readTrace } from '../../tug';
import { GAUGES, makePull, WAYS } from '../pulls';
import { tellReason, whole } from './tell';

/** Faster gauges send ten times as much and tell nothing else. */
const MOST_RATE = 2000;
/** Gauges each way is pulled on. */
const EACH = 3;

/** What is read of curves of another physics, each way on gauges in turn: numbers, suggestion, notes. */
export function tellCurves(): Record<string, string[]> {
  const gauges = GAUGES.filter(({ rate }) => rate <= MOST_RATE);
  return Object.fromEntries(
    Object.keys(WAYS).flatMap((way, w) =>
      Array.from({ length: EACH }, (_, i): [string, string[]] => {
        const gauge = gauges[(w * EACH + i) % gauges.length] as (typeof gauges)[number];
        const pull = makePull(way, gauge, 71 + w);
        const loading = { min: 20, max: 60 };
        const result = readTrace(pull.trace, {
          ...pull.about,
          loadingRate: w % 2 ? loading : null,
          speed: { min: 25, max: 60 },
        });
        const name = `${way}, ${gauge.name}`;
        if (!result.ok) return [name, [tellReason('refused', result.reason)]];
        const { reasons, suggestion, ...numbers } = result.read;
        return [
          name,
          [
            `read | ${whole(numbers)}`,
            `suggested | ${whole(suggestion)}`,
            ...reasons.map((each) => tellReason('read', each)),
          ],
        ];
      }),
    ),
  );
}
