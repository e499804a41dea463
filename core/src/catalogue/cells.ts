import { type LengthUnit, lengthUnitOf, MM_PER_INCH, readNumber } from '../units';
import { readSize, SIZES_MADE, sizeLabel, type ConductorSize } from '../wire';
import type { Column } from './columns';

/** What a cell says: its value, or what is wrong with it. */
export type CellRead = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly text: string };

const value = (found: unknown): CellRead => ({ ok: true, value: found });
const wrong = (text: string): CellRead => ({ ok: false, text });

const YES = ['yes', 'y', 'true', '1', 'x'];
const NO = ['no', 'n', 'false', '0'];

/**
 * Reads one cell of a part table, as typed or from a file.
 * @param unit what lengths are in where the cell does not say
 * @param isFixed whether that unit is named in the header: a cell with another one then contradicts it
 */
export function readCell(column: Column, text: string, unit: LengthUnit = 'mm', isFixed = false): CellRead {
  const cell = text.trim();
  if (cell === '') {
    if (column.type === 'list' && column.optional) return value([]);
    if (column.type === 'flag' && !column.optional) return value(false);
    return column.optional ? value(null) : wrong('is empty and has to be given.');
  }
  switch (column.type) {
    case 'text':
      return value(cell);
    case 'date':
      return /^\d{4}-\d{2}-\d{2}$/.test(cell) && !Number.isNaN(Date.parse(cell))
        ? value(cell)
        : wrong(`'${cell}' is no date; write it as 2027-06-30.`);
    case 'choice': {
      const found = column.options?.find((option) => option.toLowerCase() === cell.toLowerCase());
      return found === undefined
        ? wrong(`'${cell}' is not one of ${(column.options ?? []).join(', ')}.`)
        : value(found);
    }
    case 'flag':
      if (YES.includes(cell.toLowerCase())) return value(true);
      return NO.includes(cell.toLowerCase()) ? value(false) : wrong(`'${cell}' is neither yes nor no.`);
    case 'list': {
      const items = cell
        .split(/[;|]/)
        .map((item) => item.trim())
        .filter((item) => item !== '');
      const unknown = column.options && items.find((item) => !column.options?.includes(item));
      return unknown === undefined
        ? value(items)
        : wrong(`'${unknown}' is not one of ${(column.options ?? []).join(', ')}.`);
    }
    case 'size': {
      const size = readSize(cell);
      return size ? value(size) : wrong(`'${cell}' is no conductor size; write 0.75 mm2 or AWG 18, ${SIZES_MADE}.`);
    }
    default:
      return readQuantity(column, cell, unit, isFixed);
  }
}

function readQuantity(column: Column, cell: string, unit: LengthUnit, isFixed: boolean): CellRead {
  const read = readNumber(cell);
  if (read.outcome === 'refused') return wrong(read.text);
  if (column.type === 'length') {
    const said = read.rest === '' ? unit : lengthUnitOf(read.rest);
    if (!said) return wrong(`'${read.rest}' is no unit of length here; use mm or in.`);
    if (isFixed && said !== unit) {
      return wrong(`is in ${said}, but the column is headed in ${unit}. Make header and cell agree.`);
    }
    return value(said === 'in' ? Number((read.value * MM_PER_INCH).toPrecision(12)) : read.value);
  }
  const rest = read.rest.replace('mm2', 'mm²').replace(/^(deg)?c$/i, '°C');
  if (rest !== '' && rest !== column.unit) {
    return wrong(`'${read.rest}' is not the unit here${column.unit ? `; it is ${column.unit}` : ''}.`);
  }
  if (column.type === 'integer' && !Number.isInteger(read.value)) return wrong(`${cell} is no whole number.`);
  return value(column.type === 'share' ? Number((read.value / 100).toPrecision(12)) : read.value);
}

/** A value as it stands in a cell; the reverse of {@link readCell}. Lengths are given in mm. */
export function writeCell(column: Column, found: unknown): string {
  if (found === null || found === undefined) return '';
  switch (column.type) {
    case 'flag':
      return found === true ? 'yes' : 'no';
    case 'list':
      return (found as readonly string[]).join('; ');
    case 'size':
      return sizeLabel(found as ConductorSize).replace('mm²', 'mm2');
    case 'share':
      return String(Number(((found as number) * 100).toPrecision(12)));
    default:
      return String(found as string | number);
  }
}
