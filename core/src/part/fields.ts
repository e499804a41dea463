import type { ReadonlyDeep } from 'type-fest';
import { z } from 'zod';
import { speakPlainly } from './plainWords';

/*
 * What a part of the shop is made of: each field is described once, with what it may say, its title, its unit and what helps
 * to fill it in. The type core computes with, the schema of the API, the columns of tables, the form and the comparison all
 * follow from it.
 */

speakPlainly();

/** What a schema describes, as core takes it: nobody changes it. */
export type Noun<S extends z.ZodType> = ReadonlyDeep<z.infer<S>>;

/** What a column of a table and a line of a form need to know of a field beside its schema. */
export interface FieldWords {
  readonly title: string;
  readonly type: 'text' | 'choice' | 'number' | 'integer' | 'length' | 'flag' | 'size' | 'list' | 'date' | 'share';
  /** Unit behind the number where it is no length; lengths are mm or in. */
  readonly unit?: string;
  readonly help?: string;
  /** Its name where rows of two lists are written as one. */
  readonly name?: string;
}

/** Words of every field. */
export const FIELDS = z.registry<FieldWords>();
/** Titles of lists inside a part. */
export const LISTS = z.registry<{ readonly title: string }>();

type More = Pick<FieldWords, 'help' | 'name'>;

/** Of whatever is measured here; what lies outside is a slip of the pen and would make the arithmetic overflow. */
export const positive = z.number().min(1e-6, 'has to be above 0').max(1e9, 'is too large to be meant');
const notNegative = z.number().nonnegative();
/** A part number, or a short name like one. */
export const partId = z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters');
/** A name or a few words on one line. */
export const shortText = z.string().trim().min(1, 'is empty').max(80, 'is longer than 80 characters');

/** Each call describes a field of its own: one schema cannot carry the words of two. */
const field = <S extends z.ZodType>(schema: S, said: FieldWords): S => {
  const own = schema.clone();
  FIELDS.add(own, said);
  return own;
};

export const partField = () => field(partId, { title: 'part', type: 'text' });
export const idField = (title: string, more: More = {}) => field(partId, { title, type: 'text', ...more });
export const textField = (title: string, more: More = {}) => field(shortText, { title, type: 'text', ...more });
export const labelField = ({ title = 'label', ...more }: More & { readonly title?: string } = {}) =>
  textField(title, more);
export const flagField = (title: string, more: More = {}) => field(z.boolean(), { title, type: 'flag', ...more });
export const dateField = (title: string) => field(z.iso.date(), { title, type: 'date' });
export const choiceField = <const T extends readonly string[]>(title: string, options: T, more: More = {}) =>
  field(z.enum(options), { title, type: 'choice', ...more });
/** A length, mm, above 0. */
export const lengthField = (title: string, more: More = {}) => field(positive, { title, type: 'length', ...more });
/** A length, mm, that may be 0. */
export const lengthOrNone = (title: string, more: More = {}) => field(notNegative, { title, type: 'length', ...more });
export const quantityField = (title: string, unit: string) => field(positive, { title, type: 'number', unit });
export const quantityOrNone = (title: string, unit: string) => field(notNegative, { title, type: 'number', unit });
export const temperatureField = () => field(z.number(), { title: 'temperature', type: 'number', unit: '°C' });
/** A count of at least one. */
export const countField = (title: string, most?: number) => {
  const count = z.number().int().positive();
  return field(most === undefined ? count : count.max(most), { title, type: 'integer' });
};
export const countOrNone = (title: string, most?: number) => {
  const count = z.number().int().nonnegative();
  return field(most === undefined ? count : count.max(most), { title, type: 'integer' });
};
/** A share below 1, written in percent. */
export const shareField = (title: string) => field(z.number().min(0).lt(1), { title, type: 'share', unit: '%' });
export const listField = <S extends z.ZodType<string>>(title: string, of: S, more: More = {}) =>
  field(z.array(of), { title, type: 'list', ...more });
/** A list of words that has at least one. */
export const wordsField = (title: string) => field(z.array(shortText).min(1), { title, type: 'list' });

/** A range between two numbers, smaller end first. */
export const between = (min: z.ZodNumber, max: z.ZodNumber) =>
  z.strictObject({ min, max }).refine((r) => r.min <= r.max, 'is backwards: the smaller end comes first');

/** A range of lengths, mm, or of numbers in a unit; two columns of a table. */
export const rangeField = (title: string, unit?: string) => {
  const said = (end: string): FieldWords => ({
    title: `${title} ${end}`,
    ...(unit === undefined ? { type: 'length' } : { type: 'number', unit }),
  });
  return between(field(notNegative, said('min')), field(positive, said('max')));
};

/** Rows inside a part, as a list with columns of its own. */
export const rowsField = <S extends z.ZodType>(title: string, row: S) => z.array(row).register(LISTS, { title });
