import { z } from 'zod';
import { idField, textField, type Noun } from './fields';

/** A sheet's number, revision and page. */
export const partSheetSchema = z.strictObject({
  number: textField('sheet', { help: 'number of its sheet or instruction' }),
  revision: idField('sheet revision'),
  page: textField('sheet page').nullable().default(null),
});
export type PartSheet = Noun<typeof partSheetSchema>;
const described = partSheetSchema.nullable().default(null);

/** The paper a part stands on: number, revision and page of its sheet or of its maker's instruction; null where none is named. */
export const sheetField = () => described;

/** A sheet as it is named in a sentence. */
export function sheetName({ number, revision, page }: PartSheet): string {
  return `${number} rev ${revision}${page === null ? '' : `, page ${page}`}`;
}
