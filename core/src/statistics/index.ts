export { andersonDarling, LEAST_FOR_NORMALITY } from './andersonDarling';
export {
  LEAST_BASELINE,
  makeBaseline,
  movingRanges,
  runSignals,
  subgroupsOf,
  type Baseline,
  type ControlLimits,
  type RunSignal,
} from './controlChart';
export { findOutlier, type Outlier } from './grubbs';
export { heightWindow, LEAST_PAIRS, type HeightWindow } from './heightWindow';
export { cohenKappa, fleissKappa, type Kappa } from './kappa';
export { leastSquares, type Fit } from './leastSquares';
export { acceptanceProbability, sampleForRisk } from './hypergeometric';
export { normalFrom, random } from './random';
export { summarise, type Summary } from './summarise';
export { solveToleranceFactor, toleranceFactor } from './toleranceFactor';
export { kthSmallest, median } from './median';
export { forecastLimit, theilSen, type Forecast, type Trend } from './trend';
