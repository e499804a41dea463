export { asDrawn } from './asDrawn';
export { checkLookSheet, type LookSheetProblem } from './checkLookSheet';
export { criteria, criteriaOfEnds, type Criterion } from './criteria';
export { examples } from './examples';
export { FAULTS, faultsBeyond, faultsOf, spoil, type Degree, type Example, type Fault } from './faults';
export { FINDINGS, isGood, worseFinding, type Finding } from './Finding';
export { findLookSheet } from './findLookSheet';
export {
  AS_DRAWN,
  isCaliperOnly,
  judgeLook,
  showPoint,
  showPoints,
  type LookVerdict,
  type PieceFinding,
  type PieceNumber,
  type PointState,
} from './judgeLook';
export { judgePiece } from './judgePiece';
export { firstOpenPoint, firstRejectedPoint, isOpenPoint, lookHeadline } from './lookTask';
export { biteRoom, wallOf, type LookContext } from './LookContext';
export {
  MEASURED,
  ownSheet,
  PLAIN_SHEET,
  startingRows,
  type LookRow,
  type LookSheet,
  type Measured,
} from './LookSheet';
export { numberFinding } from './numberFinding';
export { readPointNumber, type PointNumberRead } from './readPointNumber';
export { type Piece } from './Piece';
export {
  POINT_CODES,
  POINT_UNITS,
  pointOf,
  POINTS,
  type Point,
  type PointCode,
  type PointUnit,
  type View,
  VIEWS,
} from './points';
export * from './photo';
export * from './section';
