import type { OperationId } from '@tug-mark/contract';

/**
 * Operations that read or write much at once. Where a process for reports runs, they are answered there, so that none of
 * them stands in the way of a reading (docs/decisions/030-two-processes.md).
 */
export const HEAVY: ReadonlySet<OperationId> = new Set([
  'moveShopOut',
  'moveShopIn',
  'readCombination',
  'importWireList',
  'importReadings',
  'putPhoto',
  'importShopFile',
  'importParts',
  'importPartTable',
  'writeParts',
  'writePartTable',
  'readSuspect',
  'touchedByLimits',
  'listChartChoices',
  'readHeights',
  'readChart',
  'readChartPoints',
  'readChartGlances',
  'listCauses',
  'readStudyResults',
  'readSheet',
  'drawSheet',
  'printSheet',
  'printSheets',
  'writeCertificate',
  'writeCertificateTable',
  'printCertificate',
  'writeRecord',
  'writeRecordTable',
  'verifyChain',
  'verifyChains',
  'readInRecord',
  'listForeignRecords',
  'readForeignRecord',
  'writeForeignRecord',
]);
