export { delimiterOf } from './delimiterOf';
export { guardCell, unguardCell } from './guardCell';
export { HeadedTable, plainHeading, type HeadedColumn, type HeadedRow, type TableProblem } from './HeadedTable';
