export { combine, type CombinationCount } from './combine';
export { readWireList, type WireListRead, type Plug, type WireListRow } from './readWireList';
export { readReadings, type ReadingRow, type ReadingsRead } from './readReadings';
export {
  proposeColumns,
  WIRE_LIST_COLUMNS,
  WIRE_LIST_KEYS,
  type KnownParts,
  type WireListColumn,
  type WireListKey,
} from './wireListColumns';
