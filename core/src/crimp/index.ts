export { adjustHeight, type HeightAdjustment } from './adjustHeight';
export { aftercare } from './aftercare';
export { bites, type Bite } from './bites';
export { cautions } from './cautions';
export { gates, GATES, type Gate, type GateStep } from './gates';
export { orientation, type Orientation } from './orientation';
