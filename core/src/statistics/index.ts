export { summarise, type Summary } from './summarise';
export { toleranceFactor } from './toleranceFactor';
