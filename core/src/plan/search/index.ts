export { dispatch } from './dispatch';
export { exactPlan, type ExactPlan } from './exactPlan';
export { asFound, type FoundPlan } from './FoundPlan';
export { improve } from './improve';
