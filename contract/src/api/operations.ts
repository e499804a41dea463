import type { OperationId } from './addresses';
import type { Route } from './Route';
import { bench } from './routes/bench';
import { cabinet } from './routes/cabinet';
import { documents } from './routes/documents';
import { gauges } from './routes/gauges';
import { insight } from './routes/insight';
import { people } from './routes/people';
import { plan } from './routes/plan';
import { records } from './routes/records';
import { shop } from './routes/shop';

/** Every operation of the server. An address without a definition does not compile. */
export const API = {
  ...people,
  ...shop,
  ...cabinet,
  ...documents,
  ...gauges,
  ...bench,
  ...plan,
  ...records,
  ...insight,
} satisfies Readonly<Record<OperationId, Route>>;
export type Api = typeof API;
