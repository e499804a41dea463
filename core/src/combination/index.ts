export { compareSetUps, type SetUpCompared } from './compareSetUps';
export { exampleOf, plainContext, type PointExample, type ShopParts } from './exampleOf';
export { computeSetUp, type SetUp, type SetUpContext, type WireSetUp } from './computeSetUp';
export { findingsOf } from './findingsOf';
export {
  judgeCombination,
  STAGES,
  type Judgement,
  type Stage,
  type StageState,
  type StageVerdict,
} from './judgeCombination';
export { lapseReasons, standingOf, type ReleaseVerdict } from './judgeRelease';
export { type EndSetUp } from './ends';
export { lookAt } from './lookAt';
export { lookEvidence } from './lookEvidence';
export { pullLimit, pullName, type PullSetUp } from './pulls';
export { wireName } from './wireName';
export { wireOf } from './wireOf';
export { matedPairs, type MatedPair } from './matedPairs';
export { measureAsked, type MeasureAsked } from './measureAsked';
export { missingSheets, releaseThings, type ReleaseThing } from './releaseThings';
export { sameRevisions, sameStanding } from './sameStanding';
