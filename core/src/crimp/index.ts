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
  STROKE_FINDS,
  type Remedy,
  type StrokeFind,
} from './Gate';
export { forming, type Forming } from './forming';
export { gates } from './gates';
export {
  isSetByTrial,
  judgeLocator,
  locatorRoom,
  MOST_TRIALS,
  type LocatorTrial,
  type LocatorVerdict,
} from './locator';
export { canLeaveOpen, pulledWith } from './pulledWith';
export { orientation, secondEnd, STRAIGHT, type Orientation } from './orientation';
export { strayStrand } from './strayStrand';
export type { GateContext } from './steps/Step';
