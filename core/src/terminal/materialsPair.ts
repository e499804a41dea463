import type { ConductorMaterial } from '../wire';
import type { Terminal } from './Terminal';

/** Whether a wire of this material may go into a terminal of that material; aluminium pairs only with aluminium. */
export function materialsPair(terminal: Terminal['material'], wire: ConductorMaterial): boolean {
  return (terminal === 'aluminium') === (wire === 'aluminium');
}
