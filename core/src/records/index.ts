export { combine, type CombinationCount } from './combine';
export { readWireList, type WireListRead, type WireListRow } from './readWireList';
export { readReadings, type ReadingRow, type ReadingsRead } from './readReadings';
