export { BENCH_STATES, benchStep, type BenchState, type BenchStep } from './benchStep';
export { bracketPlan, type BracketPlan } from './bracketPlan';
export { changeName, checksDue } from './checksDue';
export { containment, type Containment } from './containment';
export { judgeLot, type LotVerdict } from './judgeLot';
export { type Disposed, type Due, type LotHead, type LotStep, type PieceCheck, type Span } from './LotState';
export { lotTask, type LotTask, type LotTaskCode } from './lotTask';
export { planRisk, plannedPulls, type PlanRisk } from './planRisk';
export { lotNumbers, readLot } from './readLot';
