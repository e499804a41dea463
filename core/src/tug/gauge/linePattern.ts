import {
  type ForceUnit,
  forceUnitOf,
  type LengthUnit,
  lengthUnitOf,
  readNumber,
  toMillimetres,
  toNewtons,
} from '../../units';

/** How a gauge writes a reading, opened for use. */
export interface LinePattern<U extends ForceUnit | LengthUnit = ForceUnit> {
  readonly expression: RegExp;
  readonly unit: U;
}

export type LinePatternRead<U extends ForceUnit | LengthUnit = ForceUnit> =
  { readonly ok: true; readonly pattern: LinePattern<U> } | { readonly ok: false; readonly text: string };

const PLACES: Readonly<Record<string, string>> = {
  value: String.raw`(?<value>[+-]?\s*(?:\d+[.,]?\d*|[.,]\d+)(?:[eE][+-]?\d+)?|[A-Za-z-]{2,8})`,
  unit: String.raw`(?<unit>[A-Za-z]{1,4})`,
  status: String.raw`(?<status>[A-Za-z0-9]{1,12})`,
  any: String.raw`[^\s,;]*`,
};
const LONGEST_PATTERN = 120;

/**
 * Opens a line pattern: literal text with `{value}`, and where the gauge sends them `{unit}`, `{status}` and `{any}` for
 * what is of no interest. A space stands for any run of spaces. Built from fixed pieces, so that no setting can make the
 * reading of a line slow.
 *
 * @param unit the gauge's unit, for lines that name none
 * @example openLinePattern('F {value} {unit} {status}', 'N')
 */
export function openLinePattern<U extends ForceUnit | LengthUnit>(text: string, unit: U): LinePatternRead<U> {
  const refuse = (why: string): LinePatternRead<U> => ({ ok: false, text: why });
  if (text.length > LONGEST_PATTERN) return refuse(`A line pattern has ${LONGEST_PATTERN} characters at most.`);
  const parts = text.trim().split(/(\{[a-z]*\}|\s+)/);
  const seen: string[] = [];
  let source = '';
  for (const part of parts) {
    const place = /^\{([a-z]*)\}$/.exec(part)?.[1];
    if (place !== undefined) {
      const piece = PLACES[place];
      if (piece === undefined) return refuse(`'{${place}}' is no place here. Use {value}, {unit}, {status} or {any}.`);
      if (place !== 'any' && seen.includes(place)) return refuse(`{${place}} stands in it twice.`);
      seen.push(place);
      source += piece;
    } else source += /^\s+$/.test(part) ? String.raw`\s+` : part.replace(/[^A-Za-z0-9 ]/g, String.raw`\$&`);
  }
  if (!seen.includes('value')) return refuse('It needs {value}, where the number stands.');
  return { ok: true, pattern: { expression: new RegExp(`^\\s*${source}\\s*$`), unit } };
}

export type GaugeLine =
  | {
      readonly outcome: 'force';
      /** N; pull is positive. */
      readonly newtons: number;
      /** What the line said about itself beside the value. */
      readonly status: 'fine' | 'overload' | 'zeroed';
      /** The line named another unit than the settings; it was read by its own. */
      readonly otherUnit: ForceUnit | null;
    }
  | { readonly outcome: 'garbled'; readonly text: string };

const OVERLOAD = /^(ol|over|ovr|ovl|overload)$/i;
const ZEROED = /^(zero|zeroed|tare)$/i;

/**
 * Reads one line of a gauge. A line's own unit goes before the settings' one; a unit that is none, or anything else the
 * pattern does not know, is garbled and never a force.
 */
export function readGaugeLine(line: string, { expression, unit }: LinePattern): GaugeLine {
  const garbled = (): GaugeLine => ({ outcome: 'garbled', text: line.slice(0, 60) });
  if (line.length > 200) return garbled();
  const groups = expression.exec(line)?.groups;
  if (!groups) return garbled();
  const said = groups['unit'];
  const own = said === undefined ? unit : forceUnitOf(said);
  if (!own) return garbled();
  const value = groups['value'] ?? '';
  const word = groups['status'] ?? '';
  if (OVERLOAD.test(value) || OVERLOAD.test(word)) {
    const read = readNumber(value.replace(/\s/g, ''));
    const newtons = read.outcome === 'number' ? toNewtons(read.value, own) : Infinity;
    return { outcome: 'force', newtons, status: 'overload', otherUnit: null };
  }
  const read = readNumber(value.replace(/\s/g, ''));
  if (read.outcome !== 'number' || read.rest !== '') return garbled();
  return {
    outcome: 'force',
    newtons: toNewtons(read.value, own),
    status: ZEROED.test(word) ? 'zeroed' : 'fine',
    otherUnit: own === unit ? null : own,
  };
}

/**
 * Reads one line of a caliper, in mm; null for anything that is no length of 0 or more. A line's own unit goes before the
 * settings' one.
 */
export function readCaliperLine(line: string, { expression, unit }: LinePattern<LengthUnit>): number | null {
  if (line.length > 200) return null;
  const groups = expression.exec(line)?.groups;
  if (!groups) return null;
  const said = groups['unit'];
  const own = said === undefined ? unit : lengthUnitOf(said);
  const read = readNumber((groups['value'] ?? '').replace(/\s/g, ''));
  if (!own || read.outcome !== 'number' || read.rest !== '' || read.value < 0) return null;
  return Number(toMillimetres(read.value, own).toFixed(6));
}
