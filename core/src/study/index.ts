export {
  badPoint,
  drawnItems,
  drawnPiece,
  judgeStudy,
  orderFor,
  ROUNDS,
  type InspectorResult,
  type StudyAnswer,
  type StudyItem,
  type StudyResult,
} from './study';
