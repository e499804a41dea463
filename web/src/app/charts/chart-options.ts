import type { ChartAbout } from '@tug-mark/contract';
import { showNumber, type ControlLimits } from '@tug-mark/core';
import type { ChartView, ChartWork } from '../../workers/chart.messages';
import { chartText, type Ink } from './chart-ink';

/** What values are shown in. */
export interface ChartScale {
  readonly unit: string;
  readonly show: (value: number) => number;
  /** As many as the shop wants. */
  readonly decimals: number;
}

interface ChartSource {
  readonly work: ChartWork;
  readonly view: ChartView;
  readonly about: ChartAbout;
  readonly scale: ChartScale;
  readonly subgroup: number;
  /** Points on the axis. */
  readonly points: number;
}

const NAMES: Readonly<Record<string, string>> = {
  'wire-reel': 'wire reel',
  'terminal-reel': 'terminal reel',
  die: 'die',
  setting: 'setting',
  tool: 'tool',
  person: 'person',
  repair: 'put right',
  lot: 'lot',
  run: 'run',
};
/** Most changes named on the axis; more stand as lines alone. */
const MOST_NAMED = 12;

/** The pair of charts: level above, spread below, with limits, what stands out, and changes on the axis. */
export function chartOptions({ work, view, about, scale, subgroup, points }: ChartSource, ink: Ink) {
  const { show, unit, decimals } = scale;
  const text = chartText(ink);
  /** Wide enough for the points and every line drawn across them. */
  const axis = (
    index: number,
    name: string,
    points: readonly (readonly [number, number])[],
    lines: readonly number[],
  ) => {
    const values = [...points.map(([, y]) => show(y)), ...lines.map(show)];
    const low = Math.min(...values);
    const high = Math.max(...values);
    const step = niceStep((high - low || 1) / 4);
    return {
      gridIndex: index,
      type: 'value' as const,
      min: Math.floor(low / step) * step,
      max: Math.ceil(high / step) * step,
      interval: step,
      name,
      nameLocation: 'middle' as const,
      nameGap: 46,
      nameTextStyle: text,
      axisLabel: text,
      splitLine: { lineStyle: { color: ink('line') } },
    };
  };
  const across = (limits: ControlLimits | null, names: boolean) =>
    limits
      ? [
          line(show(limits.upper), 'petrol', 'dashed', names ? 'upper' : ''),
          line(show(limits.centre), 'petrol', 'solid', names ? 'centre' : ''),
          ...(limits.lower > 0 || names ? [line(show(limits.lower), 'petrol', 'dashed', names ? 'lower' : '')] : []),
        ]
      : [];
  const line = (at: number, colour: string, type: 'dashed' | 'solid', name: string) => ({
    yAxis: at,
    lineStyle: { color: ink(colour), type, width: 1.5 },
    label: {
      show: true,
      formatter: `${name} ${showNumber(at, decimals)}`.trim(),
      color: ink(colour),
      fontFamily: text.fontFamily,
      fontSize: 13,
      position: 'end' as const,
      // Said, because a line drawn before in its place may have had its name along it.
      rotate: 0,
    },
  });
  const changes = about.events.map((event, i) => ({
    xAxis: Math.max(0, Math.min(points - 1, (work.placesOf[i] ?? 0) - 0.5)),
    lineStyle: { color: ink('copper'), type: 'dotted' as const, width: 1.5 },
    label: {
      show: i >= about.events.length - MOST_NAMED,
      formatter: NAMES[event.kind] ?? event.kind,
      color: ink('copper'),
      fontFamily: text.fontFamily,
      fontSize: 13,
      position: 'insideEndTop' as const,
    },
  }));
  const series = { type: 'line' as const, animation: false, showSymbol: points <= 120, symbolSize: 6, silent: false };
  const shown = (line: ChartView['level']) => line.points.map(([x, y]) => [x, show(y)]);
  return {
    animation: false,
    textStyle: text,
    grid: [
      { left: 74, right: 92, top: 34, height: 205 },
      { left: 74, right: 92, top: 286, height: 86 },
    ],
    tooltip: {
      trigger: 'axis' as const,
      valueFormatter: (value: unknown) => `${showNumber(Number(value), decimals)} ${unit}`,
    },
    xAxis: [0, 1].map((index) => ({
      gridIndex: index,
      type: 'value' as const,
      min: 0,
      max: Math.max(1, points - 1),
      axisLabel: { ...text, show: index === 1, formatter: (value: number) => String(Math.round(value) + 1) },
      splitLine: { show: false },
      name: index === 1 ? (subgroup === 1 ? 'reading' : `group of ${subgroup}`) : '',
      nameLocation: 'middle' as const,
      nameGap: 26,
      nameTextStyle: text,
    })),
    yAxis: [
      axis(0, subgroup === 1 ? unit : `mean, ${unit}`, view.level.points, [
        ...(work.level ? [work.level.lower, work.level.upper] : []),
        ...(about.limit === null ? [] : [about.limit]),
      ]),
      axis(1, subgroup === 1 ? 'step' : 'range', view.spread.points, [0, ...(work.spread ? [work.spread.upper] : [])]),
    ],
    dataZoom: [{ type: 'inside' as const, xAxisIndex: [0, 1], filterMode: 'none' as const }],
    series: [
      {
        ...series,
        name: subgroup === 1 ? 'force' : 'mean',
        data: shown(view.level),
        lineStyle: { color: ink('ink'), width: 1.2 },
        itemStyle: { color: ink('ink') },
        markLine: {
          symbol: 'none',
          silent: true,
          data: [
            ...across(work.level, true),
            ...(about.limit === null ? [] : [line(show(about.limit), 'fail', 'solid', 'limit')]),
            ...changes,
          ],
        },
      },
      {
        ...series,
        name: subgroup === 1 ? 'step from the one before' : 'range',
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: shown(view.spread),
        lineStyle: { color: ink('ink-soft'), width: 1.2 },
        itemStyle: { color: ink('ink-soft') },
        markLine: { symbol: 'none', silent: true, data: across(work.spread, false) },
      },
      {
        type: 'scatter' as const,
        name: 'stands out',
        symbol: 'diamond',
        symbolSize: 12,
        itemStyle: { color: ink('fail') },
        data: work.signals.flatMap(({ index }) => {
          const at = view.level.points.find(([x]) => x === index);
          return at ? [[index, show(at[1])]] : [];
        }),
      },
    ],
  };
}

/** 1, 2 or 5 times a power of ten, at least as large as asked. */
function niceStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least));
  return ([1, 2, 5].find((m) => m * power >= least) ?? 10) * power;
}
