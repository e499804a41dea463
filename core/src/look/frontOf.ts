import { familyOf, type Terminal } from '../terminal';

/** What lies in front of the barrel, where the wire ends. */
export function frontOf(terminal: Terminal): string {
  return familyOf(terminal).words.front ?? (terminal.studHole === null ? 'mating end' : 'tongue');
}
