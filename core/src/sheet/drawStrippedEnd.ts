import type { EndFaultCode } from '../crimp';
import { envelopeDiameter, type Wire } from '../wire';
import type { Drawing } from './drawSide';
import { circle, path, rect, type Shape } from './shapes';

/** Rows of strands drawn; more run together. */
const ROWS = 5;
const WIDTH = 300;
/** Conductor that is bare, and insulation behind it, as shares of the width. */
const BARE = 0.42;
const SLUG = 0.2;

/**
 * A stripped wire end from the side with the slug that came off it, the conductor's tip to the left, as it has to be or with one
 * fault. Diameters are to scale with each other.
 */
export function drawStrippedEnd({ conductor, insulationDiameter }: Wire, fault: EndFaultCode | null = null): Drawing {
  const k = 46 / insulationDiameter;
  const outer = (insulationDiameter * k) / 2;
  const envelope = envelopeDiameter(conductor) * k;
  const rows = conductor.strands > 1 ? ROWS : 1;
  const pitch = envelope / rows;
  const slugEnd = WIDTH * SLUG;
  const tip = slugEnd + 34;
  const edge = tip + WIDTH * BARE;
  const right = edge + WIDTH * 0.3;
  const shapes: Shape[] = [];
  const strand = (row: number) => {
    const y = -envelope / 2 + (row + 0.5) * pitch;
    const off = (row - (rows - 1) / 2) / Math.max(1, (rows - 1) / 2);
    const start = tip + (fault === 'slanted' ? (row / Math.max(1, rows - 1)) * 26 : 0);
    const end = edge + 6;
    const look = { stroke: 'copper' as const, width: pitch * 0.86, part: 'strand' };
    if (fault === 'flared') return path(`M${start} ${y + off * 12}Q${start + 20} ${y} ${start + 34} ${y}H${end}`, look);
    if (fault === 'splayed')
      return path(`M${start} ${y + off * 22}Q${(start + edge) / 2} ${y + off * 6} ${edge} ${y}H${end}`, look);
    if (fault === 'crossed' && (row === 1 || row === 3))
      return path(`M${start} ${y}H${start + 24}L${edge - 24} ${-y}H${end}`, look);
    if (fault === 'stray' && row === 0)
      return path(`M${start + 8} ${y - 24}Q${edge - 50} ${y - 10} ${edge} ${y}H${end}`, { ...look, part: 'stray' });
    if (fault === 'birdcaged')
      return path(`M${start} ${y}Q${(start + edge) / 2} ${y + off * 34} ${edge} ${y}H${end}`, look);
    if (fault === 'strand-cut' && row === 0) return path(`M${edge - 34} ${y}H${end}`, { ...look, part: 'cut-strand' });
    if (fault === 'strand-in-slug' && row === 0)
      return path(`M${edge - 8} ${y}H${end}`, { ...look, part: 'cut-strand' });
    return path(`M${start} ${y}H${end}`, look);
  };
  for (let row = 0; row < rows; row++) shapes.push(strand(row));
  if (fault === 'strand-nicked') {
    const y = -envelope / 2;
    shapes.push(
      path(`M${edge - 20} ${y - 1}l5 ${pitch * 0.9}l5 ${-pitch * 0.9}z`, {
        fill: 'paper',
        stroke: 'ink',
        part: 'nick',
      }),
    );
  }
  const ragged = Array.from(
    { length: 6 },
    (_, i) => `L${edge + (i % 2 ? 7 : -9)} ${-outer + ((i + 1) * 2 * outer) / 7}`,
  ).join('');
  const face =
    fault === 'edge-ragged'
      ? `M${edge} ${-outer}${ragged}L${edge} ${outer}`
      : fault === 'edge-torn'
        ? `M${edge} ${-outer}V${-outer * 0.2}L${edge + 46} ${0}L${edge} ${outer * 0.25}V${outer}`
        : `M${edge} ${-outer}V${outer}`;
  shapes.push(path(`${face}H${right}V${-outer}Z`, { fill: 'insulation', part: 'insulation' }));
  // The slug beside it, hollow where the conductor was.
  const hollow = envelope / 2;
  shapes.push(rect(0, -outer, slugEnd, outer - hollow, { fill: 'insulation', part: 'slug' }));
  shapes.push(rect(0, hollow, slugEnd, outer - hollow, { fill: 'insulation', part: 'slug' }));
  shapes.push(rect(0, -hollow, slugEnd, 2 * hollow, { fill: 'paper', stroke: 'insulation' }));
  if (fault === 'strand-in-slug')
    shapes.push(
      circle(slugEnd / 2, -hollow * 0.4, pitch * 0.5, { fill: 'copper' }),
      rect(6, -hollow * 0.4 - pitch * 0.4, slugEnd - 12, pitch * 0.8, { fill: 'copper', part: 'strand-in-slug' }),
    );
  const half = Math.max(outer, envelope / 2 + 26) + 4;
  return { shapes, box: { x: -4, y: -half, width: right + 4, height: 2 * half }, scale: k };
}
