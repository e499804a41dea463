export { areaToAwg } from './areaToAwg';
export { awgArea } from './awgArea';
export { awgDiameter } from './awgDiameter';
export { breakingLoad } from './breakingLoad';
export { envelopeDiameter } from './envelopeDiameter';
export { metalArea } from './metalArea';
export { nominalArea } from './nominalArea';
export { otherScale } from './otherScale';
export { readSize } from './readSize';
export { sizeLabel } from './sizeLabel';
export { AWG_SIZES, METRIC_SIZES, SIZES_MADE } from './sizes';
export { strandingClass } from './strandingClass';
export {
  CONDUCTOR_KINDS,
  CONDUCTOR_MATERIALS,
  SIZE_SCALES,
  STRAND_LAYS,
  type Conductor,
  type ConductorMaterial,
  type ConductorSize,
  type Wire,
} from './Wire';
