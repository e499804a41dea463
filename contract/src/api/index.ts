import type { OperationId } from './addresses';
import type { Route } from './Route';
import { bench } from './routes/bench';
import { cabinet } from './routes/cabinet';
import { documents } from './routes/documents';
import { gauges } from './routes/gauges';
import { insight } from './routes/insight';
import { people } from './routes/people';
import { records } from './routes/records';

/** Every operation of the server. An address without a definition does not compile. */
export const API = {
  ...people,
  ...cabinet,
  ...documents,
  ...gauges,
  ...bench,
  ...records,
  ...insight,
} satisfies Readonly<Record<OperationId, Route>>;
export type Api = typeof API;

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
