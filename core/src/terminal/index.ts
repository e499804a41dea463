export { familyName } from './familyName';
export { isInRange } from './isInRange';
export { isSplice } from './isSplice';
export { missingResults, type MissingResult } from './missingResults';
export { rangeLabel } from './rangeLabel';
export { readStamp, type StampReading } from './readStamp';
export {
  FAMILIES,
  materialsPair,
  SEAMS,
  SHAPES,
  SLEEVE_COLOURS,
  SLIDE_ON_KINDS,
  STRANDING_CLASSES,
  STRIP_RULES,
  type Barrel,
  type CrimpHeight,
  type Family,
  type Range,
  type SlideOnItem,
  type StrandingClass,
  type Terminal,
} from './Terminal';
