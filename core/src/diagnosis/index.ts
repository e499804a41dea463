export { CAUSES, type Cause } from './causes';
export { diagnose, type ConfirmedCase, type Diagnosis, type RankedCause } from './diagnose';
export { EVIDENCE, evidenceTitle, writeEvidence, type Evidence, type EvidenceKind } from './evidence';
export { evidenceFrom, type Findings } from './evidenceFrom';
export { SIMULATED_CAUSES, simulateCause, type SimulatedLot, type SimulationModel } from './simulateCause';
