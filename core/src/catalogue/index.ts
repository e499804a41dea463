export { countChanges, type Changes } from './countChanges';
export { familyHas, familyStart, FIELD_GROUPS, type FieldGroup } from './groups';
export {
  CATALOGUE_KINDS,
  CATALOGUES,
  type Catalogue,
  type CatalogueKind,
  type CatalogueParts,
  type Column,
  type PartTable,
} from './columns';
export { compareParts, type FieldCompared } from './compareParts';
export { readPart, writePart, type PartCells, type PartProblem, type PartRead } from './partCells';
export { headingsLeft, readPartTable, writePartTable, type PartTableRead } from './partTable';
export { searchParts, type SearchIndex, indexParts } from './searchParts';
