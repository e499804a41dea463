export { compareSetUps, type SetUpCompared } from './compareSetUps';
export { checkEntry, type EntryCheck, type EntryRefusal, type Rests } from './checkEntry';
export { computeSetUp, type SetUp, type SetUpContext } from './computeSetUp';
export { MEASURES, type Entry, type EntryBody, type Measure, type Revisions, type Standing } from './Entry';
export { entrySlot } from './entrySlot';
export { inForce } from './inForce';
export { entriesOf } from './entriesOf';
export {
  judgeCombination,
  STAGES,
  type Judgement,
  type Stage,
  type StageState,
  type StageVerdict,
} from './judgeCombination';
export { slotsToCheck } from './slotsToCheck';
export { crimpHeight, judgeMeasures, type MeasureRanges, type MeasureVerdict } from './judgeMeasures';
export { standingOf, type ReleaseVerdict } from './judgeRelease';
export { currentRun, ofCurrentRun, runOf } from './runs';
