export { checkEntry, type EntryCheck, type EntryRefusal } from './checkEntry';
export { computeSetUp, type SetUp, type SetUpContext } from './computeSetUp';
export { type Entry, type EntryBody } from './Entry';
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
