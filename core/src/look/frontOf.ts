import { isSplice, type Terminal } from '../terminal';

/** What lies in front of the barrel, where the wire ends. */
export function frontOf(terminal: Terminal): string {
  if (isSplice(terminal)) return 'stop';
  if (terminal.family === 'ferrule') return 'tip';
  if (terminal.family === 'lug') return 'pad';
  return terminal.studHole === null ? 'mating end' : 'tongue';
}
