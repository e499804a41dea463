import type { Practice } from '../practice';
import type { Range, Terminal } from '../terminal';
import { envelopeDiameter, type Wire } from '../wire';

/**
 * How far the wire may stand past the barrel (brush), mm: the lower end by the practice, the upper end by the room
 * the stud or mating area leaves.
 */
export function brushRange(terminal: Terminal, wire: Wire, practice: Practice): Range {
  const min = {
    'conductor-diameter': envelopeDiameter(wire.conductor),
    fixed: practice.brushFixed,
    'just-visible': 0.3,
  }[practice.brush];
  return { min, max: terminal.brushMax };
}

/**
 * Bare wire allowed between barrel and insulation (gap), mm. 'small': none up to one conductor diameter;
 * 'butted': none up to 0.3 mm, the least an eye can tell from butted at arm's length; 'required': at least half a
 * conductor diameter so that the insulation is not strained, up to one and a half.
 */
export function gapRange(wire: Wire, practice: Practice): Range {
  const d = envelopeDiameter(wire.conductor);
  return {
    small: { min: 0, max: d },
    butted: { min: 0, max: 0.3 },
    required: { min: 0.5 * d, max: 1.5 * d },
  }[practice.gap];
}

/** How far the wire may stand out of a ferrule, mm: up to 0.5, or up to 2 where it is cut flush after the crimp. */
export function ferruleBrush(terminal: Terminal): Range {
  return { min: 0, max: terminal.trimFlush ? 2 : 0.5 };
}
