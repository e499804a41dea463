export { adjustHeight, type HeightAdjustment } from './adjustHeight';
export { aftercare } from './aftercare';
export { placeBites, type Bite, type BitePlan } from './bites';
export { cautions } from './cautions';
export { END_FAULTS, endPoints, type EndFault, type EndFaultCode, type EndPoint } from './endPoints';
export {
  GATE_KEYS,
  gateAbout,
  gateKey,
  MOST_BITES,
  GATE_NAMES,
  GATES,
  REMEDIES,
  REMEDY_WORDS,
  type Gate,
  type GateStep,
  type Remedy,
} from './Gate';
export { gates } from './gates';
export { canLeaveOpen, pulledWith } from './pulledWith';
export { orientation, secondEnd, STRAIGHT, type Orientation } from './orientation';
export { strayStrand } from './strayStrand';
