import type { HeightChart } from '@tug-mark/contract';
import type { HeightWindow, Range } from '@tug-mark/core';
import { chartText, type Ink } from './chart-ink';

/** Crimp heights piece by piece, mm, with the sheet's range and the limits of chance. */
export function heightsOverTime(
  points: HeightChart['points'],
  range: Range | null,
  limits: { readonly upper: number; readonly lower: number } | null,
  ink: Ink,
) {
  const text = chartText(ink);
  const heights = points.map((p) => p.height);
  const lines = [
    ...(range ? [mark(range.max, 'most', ink('fail')), mark(range.min, 'least', ink('fail'))] : []),
    ...(limits
      ? [
          mark(limits.upper, 'upper', ink('petrol'), 'insideStartTop'),
          mark(limits.lower, 'lower', ink('petrol'), 'insideStartTop'),
        ]
      : []),
  ];
  const all = [...heights, ...lines.map((l) => l.yAxis)];
  const [low, high] = all.reduce(([a, b], v) => [Math.min(a, v), Math.max(b, v)], [Infinity, -Infinity]);
  const room = Math.max(0.01, (high - low) * 0.1);
  return {
    animation: false,
    textStyle: text,
    grid: { left: 70, right: 60, top: 40, bottom: 50 },
    tooltip: { trigger: 'axis' as const },
    xAxis: {
      type: 'category' as const,
      data: points.map((p) => `${p.lot === null ? 'set-up' : `lot ${p.lot}`}, ${p.piece}`),
      name: 'piece',
      nameLocation: 'middle' as const,
      nameGap: 30,
      axisLabel: text,
    },
    yAxis: {
      type: 'value' as const,
      min: Number((low - room).toFixed(3)),
      max: Number((high + room).toFixed(3)),
      name: 'mm',
      axisLabel: { ...text, formatter: (value: number) => value.toFixed(3) },
    },
    series: [
      {
        type: 'line' as const,
        data: heights,
        symbolSize: 7,
        lineStyle: { color: ink('ink-soft'), width: 1 },
        itemStyle: { color: ink('petrol') },
        markLine: { silent: true, symbol: 'none', data: lines },
      },
    ],
  };
}

/** Pulls against heights of the same pieces, N against mm, with the window where both hold. */
export function pullsAgainstHeights(
  pairs: readonly { readonly height: number; readonly force: number }[],
  known: {
    readonly range: Range | null;
    readonly limit: number | null;
    readonly both: readonly Range[];
    readonly window: HeightWindow | null;
  },
  ink: Ink,
) {
  const text = chartText(ink);
  const { range, limit, both, window: found } = known;
  const heights = pairs.map((p) => p.height).sort((a, b) => a - b);
  const [first = range?.min ?? 0, last = range?.max ?? 1] = [heights[0], heights.at(-1)];
  const grid = Array.from({ length: 41 }, (_, i) => first + ((last - first) * i) / 40);
  const room = Math.max(0.01, (last - first) * 0.15);
  const curve = (of: (height: number) => number, type: 'solid' | 'dashed') => ({
    type: 'line' as const,
    showSymbol: false,
    data: grid.map((h) => [h, of(h)]),
    lineStyle: { color: ink('petrol'), width: 1.5, type },
    itemStyle: { color: ink('petrol') },
  });
  return {
    animation: false,
    textStyle: text,
    grid: { left: 60, right: 40, top: 40, bottom: 50 },
    tooltip: { trigger: 'item' as const },
    xAxis: {
      type: 'value' as const,
      min: Number((Math.min(first, range?.min ?? first) - room).toFixed(3)),
      max: Number((Math.max(last, range?.max ?? last) + room).toFixed(3)),
      name: 'crimp height, mm',
      nameLocation: 'middle' as const,
      nameGap: 30,
      axisLabel: { ...text, formatter: (value: number) => value.toFixed(3) },
    },
    yAxis: { type: 'value' as const, scale: true, name: 'N', axisLabel: text },
    series: [
      {
        type: 'scatter' as const,
        data: pairs.map((p) => [p.height, p.force]),
        symbolSize: 9,
        itemStyle: { color: ink('copper') },
        markLine: {
          silent: true,
          symbol: 'none',
          data: [
            ...(limit === null ? [] : [mark(limit, 'least force', ink('fail'))]),
            ...(range ? [upright(range.min, 'sheet', ink('fail')), upright(range.max, 'sheet', ink('fail'))] : []),
            ...both.flatMap(({ min, max }) =>
              [min, max].map((height) => upright(height, 'holds', ink('pass'), 'insideMiddleTop')),
            ),
          ],
        },
      },
      ...(found ? [curve(found.mean, 'solid'), curve(found.lower, 'dashed')] : []),
    ],
  };
}

const mark = (yAxis: number, name: string, color: string, position: 'end' | 'insideStartTop' = 'end') => ({
  yAxis,
  lineStyle: { color, type: 'dashed' as const },
  label: { formatter: name, color, position },
});
const upright = (xAxis: number, name: string, color: string, position: 'end' | 'insideMiddleTop' = 'end') => ({
  xAxis,
  lineStyle: { color, type: 'dashed' as const },
  label: { formatter: name, color, position },
});
