export { planBounds, type PlanBounds } from './planBounds';
