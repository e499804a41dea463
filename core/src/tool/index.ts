export { checkPlaces, findCheckPlace, type CheckPlace } from './checkPlaces';
export { chooseTool, type Barrelful, type Change, type ToolCandidate, type ToolChoice } from './chooseTool';
export { insulationPosition } from './insulationPosition';
export {
  asOf,
  checkPassed,
  judgeTool,
  mountedDie,
  recordsOf,
  RETURN_WORDS,
  standingFailure,
  type ToolRecords,
  type ToolState,
} from './judgeTool';
export { openToolBook, type ToolBook } from './openToolBook';
export { selectorHoles, type SelectorHole } from './selectorHoles';
export { suspectSpan, type SuspectSpan } from './suspectSpan';
export { DONE_TO_TOOLS, GRIPS, TOOL_KINDS, type ToolKind } from './kinds';
export { toolSchema, type Die, type Nest, type Positioner, type Tool, type ToolCheck, type ToolReturn } from './Tool';
