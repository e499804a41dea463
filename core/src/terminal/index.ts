export { familyName } from './familyName';
export { rangeLabel } from './rangeLabel';
export {
  FAMILIES,
  materialsPair,
  SEAMS,
  SLEEVE_COLOURS,
  STRIP_RULES,
  type Family,
  type Range,
  type Terminal,
} from './Terminal';
