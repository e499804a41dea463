import { shownForce, type Trace, type TraceRead } from '@tug-mark/core';
import { chartText, type Ink } from '../charts/chart-ink';

/** A pull of a lot with its curve, read. */
export interface Curve {
  readonly piece: number;
  /** N */
  readonly force: number;
  readonly mode: string;
  readonly id: string;
  readonly trace: Trace;
  readonly read: TraceRead | null;
}

/** Points of a curve that are drawn: its peak is always among them. */
const DRAWN = 400;

/** Curves over each other, N against s, the picked one on top in another colour; with the limit where there is one. */
export function curvesOver(curves: readonly Curve[], picked: Curve | null, limit: number | null, ink: Ink) {
  const text = chartText(ink);
  return {
    animation: false,
    textStyle: text,
    grid: { left: 64, right: 40, top: 36, bottom: 44 },
    xAxis: {
      type: 'value' as const,
      name: 's',
      nameLocation: 'middle' as const,
      nameGap: 26,
      axisLabel: text,
      splitLine: { show: false },
    },
    yAxis: { type: 'value' as const, name: 'N', axisLabel: text, splitLine: { lineStyle: { color: ink('line') } } },
    series: [...curves]
      .sort((a, b) => Number(a === picked) - Number(b === picked))
      .map((curve, i) => ({
        type: 'line' as const,
        name: `piece ${curve.piece}`,
        animation: false,
        showSymbol: false,
        silent: true,
        data: outline(curve),
        lineStyle: {
          color: ink(curve === picked ? 'copper' : 'petrol'),
          width: curve === picked ? 2.4 : 1,
          opacity: curve === picked ? 1 : 0.35,
        },
        ...(i === 0 && limit !== null
          ? {
              markLine: {
                symbol: 'none',
                silent: true,
                lineStyle: { color: ink('fail'), type: 'solid' as const, width: 1.5, opacity: 1 },
                data: [
                  {
                    yAxis: limit,
                    label: { formatter: 'limit', color: ink('fail') },
                  },
                ],
              },
            }
          : {}),
      })),
  };
}

/** A curve above its zero from where it passes a twentieth of its peak, thinned by the highest of every stretch. */
export function outline({ trace, read }: Curve): [number, number][] {
  const { forces, rate } = trace;
  const peak = read?.peak.force ?? 0;
  let start = 0;
  while (start < forces.length && shownForce(forces[start] as number, read) < 0.05 * peak) start += 1;
  const points: [number, number][] = [];
  const width = Math.max(1, (forces.length - start) / DRAWN);
  for (let from = start; from < forces.length; from += width) {
    let high = -Infinity;
    for (let i = Math.floor(from); i < Math.min(forces.length, from + width); i++)
      high = Math.max(high, shownForce(forces[i] as number, read));
    points.push([(from - start) / rate, high]);
  }
  return points;
}
