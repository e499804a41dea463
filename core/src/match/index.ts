export { findTerminations, type Finder, type Found, type FinderQuery } from './findTerminations';
export { judgeEnds, type EndsFit } from './judgeEnds';
export { judgeFit, NO_DEMAND, PLACES, type Demand, type FitVerdict, type Place, type Use } from './judgeFit';
export { nearestFits, type NearFit } from './nearestFits';
export {
  CONDITIONS,
  JOINTS,
  whichTermination,
  type Condition,
  type FamilyRank,
  type Joint,
  type Ranking,
} from './whichTermination';
