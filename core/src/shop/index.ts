export {
  FIRST_STEPS,
  firstDay,
  nextOf,
  type FirstDay,
  type FirstStep,
  type FirstStepCode,
  type ShopStock,
} from './firstDay';
