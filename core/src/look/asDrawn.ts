import { wirePlace } from '../prepare';
import { bellmouthRange, type LookContext } from './LookContext';
import type { Piece } from './Piece';

/** The finished crimp as the set-up means it: every number in the middle of its range. */
export function asDrawn(context: LookContext): Piece {
  const { terminal, wire, strip, height, width } = context;
  const place = wirePlace(terminal, wire, strip);
  const middle = (range: { min: number; max: number } | null) => range && (range.min + range.max) / 2;
  const grows = strip.rule === 'lug' ? terminal.barrel.growth : 0;
  const has = (kind: string) => terminal.slideOn.some((item) => item.kind === kind);
  const covers = terminal.slideOn.some((item) => item.kind !== 'seal' && item.kind !== 'sleeve');
  return {
    bend: 0,
    twist: 0,
    brush: place?.brush ?? null,
    windowFill: terminal.barrel.inspection ? 1 : null,
    edge: Math.max(0, (place?.edge ?? (strip.position.min + strip.position.max) / 2) - grows),
    biteOff: 0,
    height: middle(height),
    width: middle(width),
    compression: 0.85,
    voids: 0.03,
    bellmouth: terminal.barrel.seam === 'open' ? middle(bellmouthRange(context)) : null,
    turn: 0,
    lean: 0,
    mark: 'right',
    crack: 0,
    flash: 0,
    stray: 0,
    cut: 0,
    grip: terminal.insulationRange ? 1 : null,
    sealShift: has('seal') ? 0 : null,
    sealTorn: false,
    uncovered: covers ? 0 : null,
    sleeve: terminal.sealingHeat ? { off: 0, heat: 1, closed: 2, split: false, bubbles: 0 } : null,
    melted: 0,
  };
}
