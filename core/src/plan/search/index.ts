export { dispatch } from './dispatch';
export { exactPlan, type ExactPlan } from './exactPlan';
export { asFound, planFrom, type FoundPlan } from './FoundPlan';
export { improve } from './improve';
export { byDueDate, nearestChangeover, toolByTool } from './baselines';
