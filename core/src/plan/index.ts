export * from './PlanWork';
export { asPlan } from './asPlan';
export { planBounds, type PlanBounds } from './bounds';
export { checkPlan, type PlanFault } from './checkPlan';
export * from './ask';
export * from './floor';
export * from './foresee';
export * from './learn';
export * from './stock';
export { Layout } from './Layout';
export { modelOf, type Model } from './model';
export {
  asFound,
  byDueDate,
  dispatch,
  exactPlan,
  improve,
  nearestChangeover,
  planFrom,
  toolByTool,
  type ExactPlan,
  type FoundPlan,
} from './search';
