import { z } from 'zod';
import './fields';

/** What is said of a value that a schema does not take. */
const said = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues.map(({ message }) => message);

describe('A field without words of its own', () => {
  it('says that it is empty, whatever it wants', () => {
    for (const schema of [z.string(), z.number(), z.boolean(), z.enum(['front', 'rear']), z.array(z.string())]) {
      expect(said(schema, undefined)).toEqual(['is empty and has to be given']);
      expect(said(schema, null)).toEqual(['is empty and has to be given']);
    }
  });

  it('says what it has to be', () => {
    expect(said(z.number(), '7')).toEqual(['has to be a number']);
    expect(said(z.int(), 7.5)).toEqual(['has to be a whole number']);
    expect(said(z.boolean(), 'yes')).toEqual(['has to be yes or no']);
    expect(said(z.enum(['front', 'rear']), 'side')).toEqual(['is not one of front, rear']);
  });

  it('says its limits, and whether they belong to it', () => {
    expect(said(z.number().positive(), 0)).toEqual(['has to be above 0']);
    expect(said(z.number().min(2), 1)).toEqual(['has to be at least 2']);
    expect(said(z.number().lt(6), 6)).toEqual(['has to be below 6']);
    expect(said(z.string().max(3), 'long')).toEqual(['has to be at most 3 characters']);
    expect(said(z.array(z.string()).min(1), [])).toEqual(['has to be at least 1 of them']);
  });

  it('names what nobody knows, and keeps the words of a field that has some', () => {
    expect(said(z.strictObject({}), { colour: 'red' })).toEqual(['has what nobody knows: colour']);
    expect(said(z.number().min(1, 'is less than one bite'), 0)).toEqual(['is less than one bite']);
  });
});
