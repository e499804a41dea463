import { z } from 'zod';

const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a group of fields',
  record: 'a group of fields',
};

/** So much of what has a size: characters of a text, members of a list; of a number itself. */
const measured = (origin: string, size: number | bigint): string =>
  origin === 'string'
    ? `${size} characters`
    : origin === 'array' || origin === 'set'
      ? `${size} of them`
      : String(size);

/**
 * What is wrong with a field that has no words of its own for it, as form, file and API say it behind the field's name:
 * 'Bites has to be above 0'. The library's own words are for those who write programs.
 */
function plainWords(issue: z.core.$ZodRawIssue): string | undefined {
  const isMissing = issue.input === undefined || issue.input === null;
  switch (issue.code) {
    case 'invalid_type':
      return isMissing ? 'is empty and has to be given' : `has to be ${KINDS[issue.expected] ?? 'something else'}`;
    case 'invalid_value':
      return isMissing ? 'is empty and has to be given' : `is not one of ${issue.values.map(String).join(', ')}`;
    case 'too_small':
      return `has to be ${issue.inclusive === false ? 'above' : 'at least'} ${measured(issue.origin, issue.minimum)}`;
    case 'too_big':
      return `has to be ${issue.inclusive === false ? 'below' : 'at most'} ${measured(issue.origin, issue.maximum)}`;
    case 'unrecognized_keys':
      return `has what nobody knows: ${issue.keys.join(', ')}`;
    default:
      return undefined;
  }
}

/** Has every schema of the application say what is wrong in plain words. */
export const speakPlainly = (): void => {
  z.config({ customError: plainWords });
};
