export { connectorSchema, type Connector } from './Connector';
export {
  cavityMap,
  contactSpent,
  seatOf,
  type Cavity,
  type CavityMap,
  type CavityState,
  type CavityWire,
} from './cavityMap';
export { whyLocked } from './lock';
