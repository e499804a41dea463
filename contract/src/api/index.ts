/* Nothing is made here, so that a page which asks for one name does not bring every schema along. */
export { API, type Api } from './operations';
export { ADDRESSES, type OperationId } from './addresses';
export { PROBLEMS, type ProblemCode } from './problemCodes';
export {
  isFile,
  type Answer,
  type Call,
  type FileKind,
  type Got,
  type Route,
  type RouteDefinition,
  type Sent,
  type Who,
} from './Route';
export { MOST_PHOTO } from './routes/bench';
