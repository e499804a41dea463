export {
  FIRST_STEPS,
  firstDay,
  nextOf,
  type FirstDay,
  type FirstStep,
  type FirstStepCode,
  type ShopStock,
} from './firstDay';
export { whyUnqualified, type Qualification, type Qualified } from './qualified';
