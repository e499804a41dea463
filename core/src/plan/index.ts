export * from './PlanWork';
export { asPlan } from './asPlan';
export { planBounds, type PlanBounds } from './bounds';
export { checkPlan, type PlanFault } from './checkPlan';
export { dispatch } from './dispatch';
export { exactPlan, type ExactPlan } from './exact';
export { improve, type FoundPlan } from './improve';
export { Layout } from './Layout';
export { modelOf, type Model } from './model';
