import { familyName } from '../terminal';
import type { LookSheet } from './LookSheet';
import { pointOf } from './points';

/** What is wrong with a sheet, or worth knowing, by row (from 1; 0: the sheet as a whole) and field. */
export interface LookSheetProblem {
  readonly row: number;
  readonly field: string;
  readonly weight: 'bad' | 'note';
  readonly text: string;
}

/**
 * What stands against releasing a sheet.
 * @param today ISO date
 */
export function checkLookSheet(sheet: LookSheet, today: string): LookSheetProblem[] {
  const problems: LookSheetProblem[] = [];
  const say = (row: number, field: string, weight: 'bad' | 'note', text: string) =>
    problems.push({ row, field, weight, text });
  if (sheet.effectiveUntil !== null && sheet.effectiveUntil < sheet.effectiveFrom) {
    say(0, 'effectiveUntil', 'bad', 'It ends before it begins.');
  }
  if (sheet.effectiveUntil !== null && sheet.effectiveUntil < today) {
    say(0, 'effectiveUntil', 'bad', 'It has run out already.');
  }
  for (const needed of ['seam', 'strands', 'gap'] as const) {
    if (!sheet.rows.some((r) => r.point === needed)) {
      say(
        0,
        'rows',
        'bad',
        `Nobody would look at '${pointOf(needed).title}'. No pull shows that fault: leave the point in.`,
      );
    }
  }
  const seen = new Map<string, number>();
  sheet.rows.forEach((row, i) => {
    const at = i + 1;
    const point = pointOf(row.point);
    for (const family of row.families.length ? row.families : [null]) {
      const key = `${row.point}/${family ?? ''}`;
      const other = seen.get(key);
      if (other) {
        say(
          at,
          'point',
          'bad',
          `'${point.title}'${family ? ` for ${familyName(family)}` : ''} stands in row ${other} already.`,
        );
      }
      seen.set(key, at);
    }
    if (!row.findings.includes('accept')) say(at, 'findings', 'bad', 'A good piece has to be acceptable.');
    if (!row.findings.includes('reject') && !row.findings.includes('rework')) {
      say(at, 'findings', 'bad', 'Nothing bad could be said of this point: allow reject or rework.');
    }
    if (!point.number) {
      if (row.measured !== 'never') say(at, 'measured', 'bad', `Nothing is measured at '${point.title}'.`);
      if (row.min !== null || row.max !== null) say(at, 'min', 'bad', `'${point.title}' has no number.`);
    } else if (row.measured !== 'never' && !row.findings.includes(row.outside)) {
      say(at, 'outside', 'bad', `A number outside its range means '${row.outside}', which nobody may find here.`);
    }
    if (row.outside === 'accept') say(at, 'outside', 'bad', 'A number outside its range is never simply accepted.');
    if (row.min !== null && row.max !== null && row.max < row.min)
      say(at, 'max', 'bad', 'The upper end lies below the lower.');
    if (point.number && (row.min !== null || row.max !== null) && row.measured === 'never') {
      say(at, 'measured', 'note', 'It has a range of its own but is looked at by eye alone: the numbers only show.');
    }
    if ((row.point === 'height' || row.point === 'width') && (row.min !== null || row.max !== null)) {
      say(at, 'min', 'note', 'One range for every wire and terminal. Their sheets give one for each size.');
    }
  });
  return problems;
}
