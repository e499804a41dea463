import { fromNewtons, showNumber, type ForceUnit, type GroupVerdict } from '@tug-mark/core';

/** The numbers of a group of pulls, as they are shown. */
export interface GroupNumbers {
  readonly n: number;
  readonly min: string;
  readonly mean: string;
  readonly s: string;
  readonly cpl: string;
  readonly bound: string;
  readonly sentences: GroupVerdict['reasons'];
}

/**
 * A group's numbers in the shown unit; null while nothing was pulled.
 * @param limit N
 */
export function groupNumbers(group: GroupVerdict, limit: number, unit: ForceUnit, decimals = 1): GroupNumbers | null {
  if (!group.summary) return null;
  const { n, min, mean, s } = group.summary;
  const { cpl, lowerBound, reasons } = group;
  const show = (newtons: number) => showNumber(fromNewtons(newtons, unit), decimals, fromNewtons(limit, unit));
  const bound =
    lowerBound === null ? (n < 2 ? 'needs 2' : 'none') : lowerBound <= 0 ? 'none above 0' : show(lowerBound);
  return {
    n,
    min: show(min),
    mean: show(mean),
    s: s === null ? 'needs 2' : showNumber(fromNewtons(s, unit), Math.max(1, decimals)),
    cpl: cpl === null ? (s === null ? 'needs 2' : 'no spread') : cpl.toFixed(2),
    bound,
    sentences: reasons,
  };
}
