import { documentKey, type DocumentKey, type ShopDocument } from '../document';
import type { Family } from '../terminal';
import type { Finding } from './Finding';
import { POINTS, type PointCode } from './points';

export const MEASURED = ['never', 'may', 'first', 'each'] as const;
/**
 * Whether a point's number is taken: never (by eye alone), where somebody wants to, on the first pieces the practice has
 * measured, or on each piece.
 */
export type Measured = (typeof MEASURED)[number];

/** What one document says about one point. */
export interface LookRow {
  readonly point: PointCode;
  /** Families the row is for; empty: all that have the point. */
  readonly families: readonly Family[];
  /** Findings a person may give. */
  readonly findings: readonly Finding[];
  readonly measured: Measured;
  /** Ends of the range in the point's own unit; null: as the set-up gives it. */
  readonly min: number | null;
  readonly max: number | null;
  /** What a number outside the range means. */
  readonly outside: Finding;
  /** What this shop wants seen beside the standard words; may be empty. */
  readonly text: string;
}

/** One revision of what a class of work is looked at for. Like a limit table it is drafted, released and withdrawn. */
export interface LookSheet extends ShopDocument {
  readonly rows: readonly LookRow[];
}

/** Points every piece was looked at for before shops had sheets of their own. */
const PLAIN: readonly PointCode[] = [
  'tongue',
  'straight',
  'brush',
  'window',
  'bite',
  'seam',
  'height',
  'mark',
  'barrel',
  'strands',
  'gap',
  'insulation-grip',
  'wire-seal',
  'cover',
  'seal',
];

/** What holds where no sheet of the shop is in effect: by eye, and the crimp height where the terminal's sheet gives one. */
export const PLAIN_SHEET: LookSheet = {
  document: 'plain',
  revision: '1',
  class: '',
  owner: 'Tug Mark',
  origin: 'controlled',
  status: 'released',
  effectiveFrom: '2000-01-01',
  effectiveUntil: null,
  rows: POINTS.filter(({ code }) => PLAIN.includes(code)).map(({ code, findings }) => ({
    point: code,
    families: [],
    findings,
    measured: code === 'height' ? 'first' : 'never',
    min: null,
    max: null,
    outside: 'reject',
    text: '',
  })),
};

/** The key of a sheet of the shop's own, as it is kept with what it judged; undefined for {@link PLAIN_SHEET}. */
export function ownSheet(sheet: LookSheet): DocumentKey | undefined {
  return sheet === PLAIN_SHEET ? undefined : documentKey(sheet);
}

/** The rows a new sheet begins with: every point, its number where it has one. */
export function startingRows(): LookRow[] {
  return POINTS.map(({ code, findings, number }) => ({
    point: code,
    families: [],
    findings: ['accept', 'note', ...findings.filter((f) => f !== 'accept')],
    measured: code === 'height' || code === 'width' ? 'first' : number ? 'may' : 'never',
    min: null,
    max: null,
    outside: findings.includes('rework') ? 'rework' : 'reject',
    text: '',
  }));
}
