export { orderEnds, WIRE_ENDS, type EndsOrder, type LoomEnd, type LoomStep, type WireEnd } from './orderEnds';
