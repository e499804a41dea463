export { judgeFit, PLACES, type FitVerdict, type Place } from './judgeFit';
export { nearestFits, type NearFit } from './nearestFits';
