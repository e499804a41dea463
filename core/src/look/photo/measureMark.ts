import { areaOf, circleThrough, type Point2 } from '../../geometry';
import type { PointCode, PointUnit } from '../points';

export const MARK_KINDS = ['length', 'angle', 'circle', 'area'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** Points each kind of mark takes: a line, a corner between two arms, a rim in three places, at least three corners. */
export const MARK_POINTS: Readonly<Record<MarkKind, { readonly least: number; readonly most: number }>> = {
  length: { least: 2, most: 2 },
  angle: { least: 3, most: 3 },
  circle: { least: 3, most: 3 },
  area: { least: 3, most: 60 },
};

/** Something measured on a photograph. Points are in pixels of the kept picture. */
export interface PhotoMark {
  readonly kind: MarkKind;
  readonly points: readonly Point2[];
  /** Point to look at it answers; null when it is measured for its own sake. */
  readonly point: PointCode | null;
  readonly note: string;
}

/** A length known in the picture, that everything else is measured by. */
export interface PhotoScale {
  readonly from: Point2;
  readonly to: Point2;
  /** mm */
  readonly length: number;
}

/** The marks over one picture: data beside it, never drawn into it. */
export interface PhotoMarks {
  readonly scale: PhotoScale | null;
  readonly marks: readonly PhotoMark[];
}

export interface MarkMeasured {
  /** mm, degrees or mm2; of a circle its diameter. */
  readonly value: number;
  readonly unit: 'mm' | '°' | 'mm²';
  /** How far off it may be when every point, those of the scale too, is set within one pixel. */
  readonly within: number;
}

/** Pixels to a millimetre; null where no length is known, or its two ends are one. */
export function pixelsPerMm(scale: PhotoScale | null): number | null {
  if (!scale || !(scale.length > 0)) return null;
  const pixels = Math.hypot(scale.to.x - scale.from.x, scale.to.y - scale.from.y);
  return pixels > 0 ? pixels / scale.length : null;
}

/**
 * What a mark measures. A length or a diameter off by one pixel at both ends is off by the root of two pixels; the scale
 * adds its own share of error. An angle needs no scale.
 *
 * @returns null while points are missing, the circle's three lie in line, or no scale is set where one is needed
 * @example two points 620 px apart at 310 px/mm: 2 mm
 */
export function measureMark(mark: Pick<PhotoMark, 'kind' | 'points'>, scale: PhotoScale | null): MarkMeasured | null {
  const { kind, points } = mark;
  if (points.length < MARK_POINTS[kind].least) return null;
  const [a, b, c] = points as [Point2, Point2, Point2];
  const root = Math.SQRT2;
  if (kind === 'angle') {
    const one = Math.atan2(a.y - b.y, a.x - b.x);
    const two = Math.atan2(c.y - b.y, c.x - b.x);
    const arms = [Math.hypot(a.x - b.x, a.y - b.y), Math.hypot(c.x - b.x, c.y - b.y)] as const;
    if (arms[0] === 0 || arms[1] === 0) return null;
    let angle = Math.abs(one - two);
    if (angle > Math.PI) angle = 2 * Math.PI - angle;
    const within = Math.hypot(root / arms[0], root / arms[1]);
    return { value: (angle * 180) / Math.PI, unit: '°', within: (within * 180) / Math.PI };
  }
  const px = pixelsPerMm(scale);
  if (px === null || !scale) return null;
  const scaleShare = root / (px * scale.length);
  const lengthOf = (pixels: number): MarkMeasured => ({
    value: pixels / px,
    unit: 'mm',
    within: Math.hypot(root / px, (pixels / px) * scaleShare),
  });
  if (kind === 'length') return lengthOf(Math.hypot(b.x - a.x, b.y - a.y));
  if (kind === 'circle') {
    const circle = circleThrough(a, b, c);
    return circle && lengthOf(2 * circle.radius);
  }
  const area = areaOf(points);
  let round = 0;
  points.forEach((p, i) => {
    const q = points[(i + 1) % points.length] ?? p;
    round += Math.hypot(q.x - p.x, q.y - p.y);
  });
  return {
    value: area / (px * px),
    unit: 'mm²',
    within: Math.hypot(round / Math.sqrt(points.length) / (px * px), (2 * area * scaleShare) / (px * px)),
  };
}

/** Whether a mark's number can answer a point that is measured in this unit. */
export function markAnswers(kind: MarkKind, unit: PointUnit): boolean {
  return kind === 'angle' ? unit === '°' : unit === 'mm' && (kind === 'length' || kind === 'circle');
}
