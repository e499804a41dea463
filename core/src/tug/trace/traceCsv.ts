import { headedForceUnit, readNumber, toNewtons } from '../../units';
import { LEAST_SAMPLES, MOST_SAMPLES, rateFault, type Trace } from './Trace';

export type TraceCsvRead =
  | { readonly ok: true; readonly trace: Trace }
  | { readonly ok: false; readonly row: number; readonly column: string; readonly text: string };

/** Most a step between two samples may differ from the others, as a share. */
const UNEVEN = 0.02;

/** A trace as CSV, header first; with the mark and the line ends spreadsheets write themselves. */
export function writeTraceCsv({ rate, forces }: Trace): string {
  const lines = ['time s,force N'];
  for (let i = 0; i < forces.length; i++) lines.push(`${Number((i / rate).toFixed(9))},${forces[i] as number}`);
  return `\ufeff${lines.join('\r\n')}\r\n`;
}

/**
 * Reads a trace from the cells of a file with a time and a force column; time in s or ms, force in N, lbf or kgf as their headers say.
 * Samples have to be evenly spaced: a clock that jumps or runs back is refused with its row.
 */
export function readTraceCsv(rows: readonly (readonly string[])[]): TraceCsvRead {
  const refuse = (row: number, column: string, why: string): TraceCsvRead => ({ ok: false, row, column, text: why });
  const table = rows.filter((cells, i) => i === 0 || cells.some((cell) => cell.trim() !== ''));
  const header = (table[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const time = header.findIndex((name) => /^(time|t)\b/.test(name));
  const force = header.findIndex((name) => /^(force|f|load)\b/.test(name));
  if (time < 0) return refuse(1, 'time', "No column is headed 'time s' or 'time ms'.");
  if (force < 0) return refuse(1, 'force', "No column is headed 'force N', 'force lbf' or 'force kgf'.");
  const unit = headedForceUnit(header[force] ?? '');
  if (!unit) return refuse(1, 'force', `'${header[force]}' does not say its unit: N, lbf or kgf.`);
  const perSecond = /\bms\b/.test(header[time] ?? '') ? 1000 : 1;
  const n = table.length - 1;
  if (n < LEAST_SAMPLES) return refuse(n + 1, 'force', `${n} samples are no curve: ${LEAST_SAMPLES} at least.`);
  if (n > MOST_SAMPLES)
    return refuse(MOST_SAMPLES + 2, 'force', `More than ${MOST_SAMPLES} samples. Cut the file to the pull.`);
  const times = new Float64Array(n);
  const forces = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const cells = table[i + 1] ?? [];
    const at = plainNumber(cells[time] ?? '');
    const value = plainNumber(cells[force] ?? '');
    if (at === null)
      return refuse(i + 2, header[time] ?? 'time', `'${(cells[time] ?? '').slice(0, 30)}' is no number.`);
    if (value === null)
      return refuse(i + 2, header[force] ?? 'force', `'${(cells[force] ?? '').slice(0, 30)}' is no number.`);
    times[i] = at / perSecond;
    forces[i] = unit === 'N' ? value : toNewtons(value, unit);
  }
  const step = ((times[n - 1] ?? 0) - (times[0] ?? 0)) / (n - 1);
  if (!(step > 0)) return refuse(2, header[time] ?? 'time', 'Time does not go forward.');
  const fault = rateFault(1 / step);
  if (fault) return refuse(2, header[time] ?? 'time', fault);
  for (let i = 1; i < n; i++) {
    const own = (times[i] ?? 0) - (times[i - 1] ?? 0);
    if (Math.abs(own - step) > UNEVEN * step + 2e-6) {
      const how = own <= 0 ? 'Time runs back or stands still here' : 'The clock jumps here';
      return refuse(
        i + 2,
        header[time] ?? 'time',
        `${how}: ${(own * 1000).toFixed(3)} ms after ${(step * 1000).toFixed(3)} ms steps.`,
      );
    }
  }
  return { ok: true, trace: { rate: Number((1 / step).toPrecision(7)), forces } };
}

/** Plain numbers fast; anything else by the rules for typed ones. */
function plainNumber(cell: string): number | null {
  const plain = cell.trim() === '' ? NaN : Number(cell);
  if (Number.isFinite(plain)) return plain;
  const read = readNumber(cell);
  return read.outcome === 'number' && read.rest === '' ? read.value : null;
}
