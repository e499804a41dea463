export { criteria, FINDINGS, type Criterion, type Finding } from './criteria';
export { judgeLook, type LookVerdict, type PieceFinding } from './judgeLook';
