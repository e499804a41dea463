import type { Terminal } from './Terminal';

const SPLICES: readonly Terminal['family'][] = ['butt-splice', 'window-splice', 'open-barrel-splice'];

/** Whether the part joins wire to wire: it has two wire ends and nothing to go onto a stud or into a cavity. */
export function isSplice(terminal: Pick<Terminal, 'family'>): boolean {
  return SPLICES.includes(terminal.family);
}
