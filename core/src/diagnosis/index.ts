export { BY_CHANCE, CAUSES, type Cause } from './causes';
export { diagnose, type ConfirmedCase, type Diagnosis, type RankedCause } from './diagnose';
export { EVIDENCE, evidenceTitle, seenWith, writeEvidence, type Evidence, type EvidenceKind } from './evidence';
export { evidenceFrom, type CourseStep, type Findings } from './evidenceFrom';
export { HOW_SURE_CAUSE, howSureCauseText } from './howSureCause';
