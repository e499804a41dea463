import { showNumber } from '@tug-mark/core';
import type { ChartWork } from '../../workers/chart.messages';
import type { ChartScale } from './chart-options';
import { grouped } from '../parts/count';

/** What the readings amount to so far, in a line; `work` null while none are there, `isAll` false while they are read. */
export function readingsText(
  work: Pick<ChartWork, 'count' | 'mean' | 'lowest'> | null,
  { isAll, read, scale }: { readonly isAll: boolean; readonly read: number; readonly scale: ChartScale },
): string {
  if (!work) return read ? `${grouped(read)} readings read ...` : 'Fetching the readings ...';
  if (!work.count) return 'No valid reading yet.';
  const show = (value: number) => `${showNumber(scale.show(value), scale.decimals)} ${scale.unit}`;
  const found = `mean ${show(work.mean)}, lowest ${show(work.lowest)}.`;
  const many = `${grouped(work.count)} readings`;
  return isAll
    ? `${many}, ${found} Drag or pinch to look closer.`
    : `${many} at a glance, ${found} ${grouped(read)} are read; limits and trend follow when all are.`;
}

/** Readings a trend is told of, at the least. */
const ENOUGH = 8;

/** Where the readings are going, in a line or two. */
export function trendText(
  work: Pick<ChartWork, 'trend' | 'trendCount' | 'forecast' | 'cycles'>,
  { show, unit, decimals }: ChartScale,
): string {
  const { trend, trendCount, forecast, cycles } = work;
  if (!trend) {
    return trendCount < ENOUGH
      ? `${trendCount} readings since the last change are too few to tell.`
      : `No trend in ${grouped(trendCount)} readings: what moves is chance.`;
  }
  const per = show(trend.slope * 1000);
  const moves = `${per < 0 ? 'Falls' : 'Climbs'} by ${showNumber(Math.abs(per), decimals, 0)} ${unit} in ${grouped(1000)} cycles.`;
  if (!forecast) return `${moves} It does not come to the limit that way.`;
  const more = (at: number) => grouped(Math.max(0, Math.round((at - cycles) / 10) * 10));
  const to = Number.isFinite(forecast.to) ? more(forecast.to) : 'no end in sight';
  return `${moves} Meets the limit after about ${more(forecast.at)} more cycles, between ${more(forecast.from)} and ${to}, if it goes on so.`;
}
