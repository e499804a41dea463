export { checkLimitTable, type LimitProblem } from './checkLimitTable';
export { compareLimits, limitRowName, type LimitDifference } from './compareLimits';
export { describeMargin } from './describeMargin';
export { plausibleForce } from './plausibleForce';
export { FAILURE_MODES, failureModeName, isValidMode, type FailureMode } from './failureModes';
export { findHold, findPush, type HoldFound } from './findHold';
export { findLimit, type Limit, type LimitFound } from './findLimit';
export { judgeGroup, type GroupVerdict } from './judgeGroup';
export { judgeReading, type ReadingVerdict } from './judgeReading';
export { readLimitRows, writeLimitRows, type LimitRowsRead } from './limitRows';
export { type HoldRule, type LimitRow, type LimitTable, type PushRow } from './LimitTable';
export { readForce, type ForceRead } from './readForce';
export { judgeHold } from './judgeHold';
export { limitSizes } from './limitSizes';
export { judgeRetention } from './judgeRetention';
export * from './trace';
export * from './gauge';
export {
  judgeMating,
  MATING_CYCLES,
  MOST_CYCLES,
  MOST_MATING,
  type MatingCycle,
  type MatingVerdict,
} from './judgeMating';
