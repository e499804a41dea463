export * from './PlanWork';
export { asPlan } from './asPlan';
export { planBounds, type PlanBounds } from './bounds';
export { checkPlan, type PlanFault } from './checkPlan';
export { Layout } from './Layout';
export { modelOf, type Model } from './model';
export { asFound, dispatch, exactPlan, improve, type ExactPlan, type FoundPlan } from './search';
