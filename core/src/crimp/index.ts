export { bites, type Bite } from './bites';
export { gates, GATES, type Gate, type GateStep } from './gates';
export { orientation, type Orientation } from './orientation';
