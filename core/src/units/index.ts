export { FORCE_UNITS, fromNewtons, toNewtons, type ForceUnit } from './force';
export { LENGTH_UNITS, MM_PER_INCH, toMillimetres, type LengthUnit } from './length';
export { readNumber, type NumberRead } from './readNumber';
export { showNumber } from './showNumber';
