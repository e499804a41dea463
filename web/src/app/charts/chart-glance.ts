import type { ChartGlance } from '@tug-mark/contract';
import type { ChartView, ChartWork } from '../../workers/chart.messages';

/** What is drawn of a chart before its readings are there. */
export interface ChartAtAGlance {
  readonly work: ChartWork;
  readonly view: ChartView;
}

/**
 * A chart from its blocks: least and greatest of each stand where its readings will, in order of time. Nothing is concluded
 * from it; limits, signals and trend need every reading.
 * @param events ms since 1970 of what is drawn on the axis
 * @returns null without readings
 */
export function glanceOf(glances: readonly ChartGlance[], events: readonly number[]): ChartAtAGlance | null {
  const blocks = [...glances].sort((a, b) => a.from - b.from);
  const points: [number, number][] = [];
  let count = 0;
  let sum = 0;
  for (const { n, least, greatest, mean } of blocks) {
    points.push([count, least], [count + Math.max(0, n - 1), greatest]);
    count += n;
    sum += n * mean;
  }
  if (!count) return null;
  const places = events.map((instant) =>
    blocks.reduce((place, { n, from, to }) => {
      if (to < instant) return place + n;
      return from < instant ? place + (n * (instant - from)) / Math.max(1, to - from) : place;
    }, 0),
  );
  return {
    work: {
      count,
      from: Math.min(...blocks.map((block) => block.from)),
      to: Math.max(...blocks.map((block) => block.to)),
      own: null,
      level: null,
      spread: null,
      signals: [],
      signalCount: 0,
      trend: null,
      forecast: null,
      cycles: 0,
      trendCount: 0,
      lowest: Math.min(...blocks.map((block) => block.least)),
      mean: sum / count,
      placesOf: places,
    },
    view: { level: { points }, spread: { points: [] } },
  };
}
