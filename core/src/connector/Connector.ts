import { z } from 'zod';
import {
  countField,
  idField,
  labelField,
  listField,
  partField,
  partId,
  rowsField,
  sheetField,
  textField,
  type Noun,
} from '../part';

/** Most columns or rows of one connector. */
const MOST_PLACES = 60;

/** A connector as a map of its cavities, seen from the side the wires go in. */
const described = z
  .strictObject({
    part: partField(),
    label: labelField(),
    maker: textField('maker'),
    /** What closes once all contacts are home; null where there is none. */
    lock: textField('lock', { help: 'what closes when all contacts are home' }).nullable().default(null),
    sheet: sheetField(),
    cavities: rowsField(
      'cavity',
      z.strictObject({
        id: idField('cavity', { help: 'as it is moulded beside it' }),
        column: countField('column', MOST_PLACES),
        row: countField('row', MOST_PLACES),
        /** Contacts its sheet lists for it; empty where any is right that fits. */
        terminals: listField('contacts', partId, { help: 'their numbers, each after a semicolon' }),
      }),
    ).min(1, 'has no cavity'),
  })
  .refine(({ cavities }) => new Set(cavities.map(({ id }) => id)).size === cavities.length, {
    error: 'names a cavity twice',
    path: ['cavities'],
  })
  .refine(({ cavities }) => new Set(cavities.map(({ column, row }) => `${column}/${row}`)).size === cavities.length, {
    error: 'puts two cavities in one place',
    path: ['cavities'],
  });
export type Connector = Noun<typeof described>;
export const connectorSchema: z.ZodType<Connector> = described;
