export { curveAgrees } from './curveAgrees';
export { packTrace, unpackTrace } from './packTrace';
export { readTrace, type Drop, type TraceContext, type TraceRead, type TraceReading } from './readTrace';
export { simulatePull, SOUND_PULL, type PullModel } from './simulatePull';
export { type ModeSuggestion } from './suggestMode';
export { LEAST_SAMPLES, MOST_SAMPLES, type Trace } from './Trace';
export { readTraceCsv, writeTraceCsv, type TraceCsvRead } from './traceCsv';
