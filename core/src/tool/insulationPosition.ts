import { isInRange } from '../terminal';
import type { Wire } from '../wire';
import type { Tool } from './Tool';

/** Position of a tool's insulation grip for a wire; null where it has none to set, or none for this diameter. */
export function insulationPosition(tool: Pick<Tool, 'insulationPositions'>, wire: Wire): string | null {
  return tool.insulationPositions.find((p) => isInRange(wire.insulationDiameter, p.diameters))?.label ?? null;
}
