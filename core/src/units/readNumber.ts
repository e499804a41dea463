/** What a typed or pasted number turned out to be. */
export type NumberRead =
  | { readonly outcome: 'number'; readonly value: number; readonly rest: string }
  | {
      readonly outcome: 'refused';
      readonly code: 'empty' | 'not-a-number' | 'ambiguous-comma';
      readonly text: string;
    };

const PATTERN = /^([+-]?)(\d+(?:[.,]\d+)*|[.,]\d+)(e[+-]?\d+)?\s*(.*)$/i;

/**
 * Reads a number as people type it. One decimal comma or point is understood; a single comma or point followed
 * by exactly three digits after one to three digits is refused only for the comma (12,500 may be 12.5 or 12500);
 * digits grouped by both signs (1,234.5 or 1.234,5) are read by the last sign as the decimal one.
 *
 * @param text what was typed, with or without a unit behind it
 * @returns the value and whatever stood behind the number (`rest`, trimmed), or why it is refused
 * @example readNumber('12,5 lbf') // { outcome: 'number', value: 12.5, rest: 'lbf' }
 */
export function readNumber(text: string): NumberRead {
  const trimmed = text.replace(/\u00a0|\u2009|\u202f/g, ' ').trim();
  if (trimmed === '') return { outcome: 'refused', code: 'empty', text: 'Nothing is entered yet.' };
  const match = PATTERN.exec(trimmed.replace(/\u2212/g, '-'));
  if (!match) return notANumber(trimmed);
  const [, sign = '', digits = '', exponent = '', rest = ''] = match;
  if (/^[\d.,+-]/.test(rest)) return notANumber(trimmed);
  const commas = digits.split(',').length - 1;
  const points = digits.split('.').length - 1;
  let plain = digits;
  if (commas && points) {
    const decimal = digits.lastIndexOf(',') > digits.lastIndexOf('.') ? ',' : '.';
    const groups = decimal === ',' ? '.' : ',';
    if (digits.split(decimal).length > 2) return notANumber(trimmed);
    const whole = digits.slice(0, digits.indexOf(decimal)).split(groups);
    if (whole.slice(1).some((group) => group.length !== 3)) return notANumber(trimmed);
    plain = digits.split(groups).join('').replace(decimal, '.');
  } else if (commas > 1 || points > 1) {
    return notANumber(trimmed);
  } else if (commas === 1) {
    if (/^[1-9]\d{0,2},\d{3}$/.test(digits)) {
      const [whole, part] = digits.split(',');
      return {
        outcome: 'refused',
        code: 'ambiguous-comma',
        text: `'${digits}' may be ${whole}.${part} or ${whole}${part}. Type it with a point, or without the comma.`,
      };
    }
    plain = digits.replace(',', '.');
  }
  const value = Number(`${sign}${plain}${exponent}`);
  return Number.isFinite(value) ? { outcome: 'number', value, rest: rest.trim() } : notANumber(trimmed);
}

function notANumber(text: string): NumberRead {
  const shown = text.length > 24 ? `${text.slice(0, 24)}...` : text;
  return {
    outcome: 'refused',
    code: 'not-a-number',
    text: `'${shown}' is not a number. Type digits, with a point or comma for decimals.`,
  };
}
