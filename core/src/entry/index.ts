export {
  CHANGES,
  DISPOSITION_CAUSES,
  DISPOSITIONS,
  DISPOSITION_WORDS,
  MEASURES,
  REMOVAL_REASONS,
  type LotChange,
  type CheckPlan,
  type DispositionKind,
  type Entry,
  type EntryBody,
  type EntryKind,
  type Measure,
  type PhotoKey,
  type ReleaseSheets,
  type RemovalReason,
  type Revisions,
  type Standing,
  type TraceKey,
} from './Entry';
export { entriesOf } from './entriesOf';
export { measuredPiece } from './measuredPiece';
export { measuresOf } from './measuresOf';
export { inForce } from './inForce';
export { currentRun, lotOf, ofCurrentRun, ofLot, runOf } from './runs';
