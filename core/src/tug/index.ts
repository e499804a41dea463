export { describeMargin } from './describeMargin';
export { plausibleForce } from './plausibleForce';
export { FAILURE_MODES, failureModeName, isValidMode, type FailureMode } from './failureModes';
export { findLimit, type Limit, type LimitFound } from './findLimit';
export { judgeGroup, type GroupVerdict } from './judgeGroup';
export { judgeReading, type ReadingVerdict } from './judgeReading';
export { LIMIT_ORIGINS, LIMIT_STATUSES, type LimitKey, type LimitTable } from './LimitTable';
export { readForce, type ForceRead } from './readForce';
