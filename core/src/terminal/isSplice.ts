import { familyOf } from './families';
import type { Terminal } from './Terminal';

/** Whether the part joins wire to wire: it has two wire ends and nothing to go onto a stud or into a cavity. */
export function isSplice(terminal: Pick<Terminal, 'family'>): boolean {
  return familyOf(terminal).isSplice;
}
