export { FORCE_UNITS, fromNewtons, toNewtons, type ForceUnit } from './force';
export { LENGTH_UNITS, MM_PER_INCH, toMillimetres, type LengthUnit } from './length';
export { readLength, type LengthRead } from './readLength';
export { readNumber, type NumberRead } from './readNumber';
export { LENGTH_SHOWN, showLength, type LengthShown } from './showLength';
export { showBeside, showLimit } from './showBeside';
export { showNumber } from './showNumber';
export { roundInward, showRange } from './showRange';
export { ANY_FORCE_UNIT, forceUnitOf, headedForceUnit, lengthUnitOf } from './unitOf';
