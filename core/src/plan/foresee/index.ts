export { dueSoon, type DueSoon } from './dueSoon';
export * from './testingCosts';
