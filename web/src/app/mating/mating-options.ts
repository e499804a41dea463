import type { MatedPair } from '@tug-mark/core';
import { chartText, type Ink } from '../charts/chart-ink';

/** What a line of the chart stands at, N. */
interface Level {
  readonly force: number;
  readonly label: string;
}

/** Withdrawal over cycles, one line a pair, with what each may not fall below; the picked pair on top in another colour. */
export function matingOver(pairs: readonly MatedPair[], picked: number | null, levels: readonly Level[], ink: Ink) {
  const text = chartText(ink);
  const top = Math.max(...pairs.flatMap(({ cycles }) => cycles.map(({ withdrawal }) => withdrawal)), 1);
  return {
    animation: false,
    textStyle: text,
    grid: { left: 64, right: 150, top: 30, bottom: 44 },
    xAxis: {
      type: 'value' as const,
      name: 'cycle',
      nameLocation: 'middle' as const,
      nameGap: 26,
      min: 0,
      minInterval: 1,
      axisLabel: text,
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value' as const,
      name: 'off with, N',
      min: 0,
      max: 5 * Math.ceil((1.1 * Math.max(top, ...levels.map(({ force }) => force))) / 5),
      axisLabel: text,
      splitLine: { lineStyle: { color: ink('line') } },
    },
    series: [...pairs]
      .sort((a, b) => Number(a.piece === picked) - Number(b.piece === picked))
      .map(({ piece, cycles }, i) => ({
        type: 'line' as const,
        name: `pair ${piece}`,
        animation: false,
        symbol: 'circle',
        symbolSize: 9,
        data: [...cycles].sort((a, b) => a.cycle - b.cycle).map(({ cycle, withdrawal }) => [cycle, withdrawal]),
        itemStyle: { color: ink(piece === picked ? 'copper' : 'petrol') },
        lineStyle: { color: ink(piece === picked ? 'copper' : 'petrol'), width: piece === picked ? 2.4 : 1.2 },
        ...(i === 0 && {
          markLine: {
            symbol: 'none',
            silent: true,
            lineStyle: { color: ink('fail'), type: 'solid' as const, width: 1.5, opacity: 1 },
            data: levels.map(({ force, label }) => ({
              yAxis: force,
              label: { formatter: label, color: ink('fail') },
            })),
          },
        }),
      })),
  };
}
