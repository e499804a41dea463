import type { Terminal } from './Terminal';

export interface MissingResult {
  /** The field of the terminal that is empty. */
  readonly field: string;
  /** What cannot be given without it. */
  readonly lost: string;
  /** What still can. */
  readonly kept: string;
}

/**
 * What a terminal's sheet leaves out, which results can no longer be given for it, and which still can.
 * @returns nothing when the sheet is complete
 */
export function missingResults(terminal: Terminal): MissingResult[] {
  const { barrel } = terminal;
  const found: MissingResult[] = [];
  const located = barrel.stripRule === 'stop' || barrel.stripRule === 'lug' || barrel.sheetStrip !== null;
  if (barrel.length === null) {
    found.push({
      field: 'barrel length',
      lost: located ? 'bites and the drawing' : 'strip length, bites and the drawing',
      kept: located ? 'fit, strip length, tool, way round and limit' : 'fit, tool, way round and limit',
    });
  }
  if (barrel.innerDiameter === null || barrel.outerDiameter === null) {
    found.push({
      field: barrel.innerDiameter === null ? 'inner diameter' : 'outer diameter',
      lost: 'the drawing and the choice of shrink tube',
      kept: 'fit, strip length, tool, way round, bites and limit',
    });
  }
  return found;
}
