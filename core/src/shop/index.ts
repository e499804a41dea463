export { FIRST_STEPS, firstDay, type FirstDay, type FirstStep, type FirstStepCode, type ShopStock } from './firstDay';
