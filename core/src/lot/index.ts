export { compareSetUps, type SetUpCompared } from './compareSetUps';
export { checkEntry, type EntryCheck, type EntryRefusal, type Rests } from './checkEntry';
export { computeSetUp, type SetUp, type SetUpContext, type WireSetUp } from './computeSetUp';
export {
  CHANGES,
  DISPOSITION_CAUSES,
  DISPOSITIONS,
  MEASURES,
  type LotChange,
  type CheckPlan,
  type DispositionKind,
  type Entry,
  type EntryBody,
  type Measure,
  type PhotoKey,
  type Revisions,
  type Standing,
  type TraceKey,
} from './Entry';
export { entrySlot, lotSlot } from './entrySlot';
export { inForce } from './inForce';
export { entriesOf } from './entriesOf';
export { findingsOf } from './findingsOf';
export {
  judgeCombination,
  STAGES,
  type Judgement,
  type Stage,
  type StageState,
  type StageVerdict,
} from './judgeCombination';
export { slotsToCheck } from './slotsToCheck';
export { measureAsked, type MeasureAsked } from './measureAsked';
export { standingOf, type ReleaseVerdict } from './judgeRelease';
export * from './production';
export { restsOf } from './restsOf';
export { currentRun, lotOf, ofCurrentRun, ofLot, runOf } from './runs';
