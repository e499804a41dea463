import type { z } from 'zod';

/** What of a schema's insides is read here: what it wraps, what it is made of, what stands where nothing is said. */
export interface Inside {
  readonly type: string;
  readonly innerType?: z.ZodType;
  readonly element?: z.ZodType;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly entries?: Readonly<Record<string, string>>;
  readonly defaultValue?: unknown;
  readonly checks?: readonly {
    readonly _zod: { readonly def: { readonly check: string; readonly minimum?: number } };
  }[];
}

export const insideOf = (schema: z.ZodType): Inside => schema.def as unknown as Inside;
