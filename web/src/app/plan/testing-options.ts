import type { TestingCost } from '@tug-mark/core';
import { chartText, type Ink } from '../charts/chart-ink';

/** Pieces destroyed against the chance that a bad lot passes; the plan in hand is marked. */
export function testingOptions(curve: readonly TestingCost[], every: number | null, ink: Ink) {
  const text = chartText(ink);
  return {
    animation: false,
    textStyle: text,
    grid: { left: 64, right: 30, top: 30, bottom: 50 },
    tooltip: { trigger: 'item' as const },
    xAxis: {
      type: 'value' as const,
      name: 'pieces destroyed',
      nameLocation: 'middle' as const,
      nameGap: 30,
      axisLabel: text,
    },
    yAxis: {
      type: 'value' as const,
      ...{ min: 0, max: 100, name: 'passes, in 100', axisLabel: text },
    },
    series: [
      {
        type: 'line' as const,
        data: curve.map(({ destroyed, passes, everyPieces }) => ({
          name: everyPieces === null ? 'first and last' : `every ${everyPieces}`,
          value: [destroyed, Number((100 * passes).toFixed(2))],
          symbolSize: everyPieces === every ? 16 : 7,
          itemStyle: { color: ink(everyPieces === every ? 'copper' : 'petrol') },
        })),
        lineStyle: { color: ink('ink-soft'), width: 1 },
      },
    ],
  };
}
