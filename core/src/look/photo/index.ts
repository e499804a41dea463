export { judgeMark, type MarkVerdict } from './judgeMark';
export {
  MARK_KINDS,
  MARK_POINTS,
  markAnswers,
  measureMark,
  pixelsPerMm,
  type MarkKind,
  type MarkMeasured,
  type PhotoMark,
  type PhotoMarks,
  type PhotoScale,
} from './measureMark';
