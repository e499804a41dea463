export { dieDimension } from './dieDimension';
export { atEnd, endOf, ofEnd, type End } from './End';
export { familyOf } from './families';
export { familyName } from './familyName';
export { isInRange } from './isInRange';
export { isSplice } from './isSplice';
export { missingResults, type MissingResult } from './missingResults';
export { rangeLabel } from './rangeLabel';
export { rangeOf, takesLabel } from './rangeOf';
export { readStamp, type StampReading } from './readStamp';
export {
  FAMILIES,
  RELEASES,
  SEAMS,
  SHAPES,
  SLEEVE_COLOURS,
  SLIDE_ON_KINDS,
  STRANDING_CLASSES,
  STRIP_RULES,
  type Family,
  type StrandingClass,
} from './kinds';
export { NEST_PROFILES, type NestProfile } from './nests';
export { materialsPair } from './materialsPair';
export { terminalSchema, type Barrel, type CrimpHeight, type Range, type SlideOnItem, type Terminal } from './Terminal';
