export { reason, type Reason } from './Reason';
