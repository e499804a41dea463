import { FAMILIES, type Qualification } from '@tug-mark/core';
import { z } from 'zod';
import { isoDate } from './parts';
import { ROLES } from './roles';

/** One or several, each once; the first is the one a person is shown by. */
const roles = z
  .array(z.enum(ROLES))
  .min(1, 'An account has at least one role.')
  .refine((all) => new Set(all).size === all.length, 'names a role twice');

const givenSchema = z.strictObject({
  family: z.enum(FAMILIES),
  /** Last day; null: no end. */
  until: isoDate.nullable(),
});
export const qualificationSchema: z.ZodType<Qualification> = givenSchema.extend({ by: z.string(), at: z.string() });

export const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  roles,
  active: z.boolean(),
  /** One last day for every family; null: none needed. Counts while there are no qualifications by family. */
  qualifiedUntil: isoDate.nullable(),
  /** Family by family; one that is not named is not given. */
  qualifications: z.array(qualificationSchema).nullable(),
});
export type Person = z.infer<typeof personSchema>;

/** Of a person or a shop. */
export const name = z.string().trim().min(1, 'is empty').max(60, 'is longer than 60 characters');
export const newPassword = z.string().min(10, 'needs at least 10 characters').max(200, 'is longer than 200 characters');

export const signInSchema = z.strictObject({ name, password: z.string().min(1, 'is empty').max(200) });
export type SignIn = z.infer<typeof signInSchema>;

export const newPersonSchema = z.strictObject({
  id: z.uuid(),
  name,
  roles,
  /** Left out, nobody can sign in until a word for once is given out. */
  password: newPassword.optional(),
  qualifiedUntil: isoDate.nullable(),
});
export type NewPerson = z.infer<typeof newPersonSchema>;

/** A person chooses a password of their own; the one in use, or the word for once, says that it is they. */
export const ownPasswordSchema = z.strictObject({
  current: z.string().min(1, 'is empty').max(200, 'is longer than 200 characters'),
  password: newPassword,
});
export type OwnPassword = z.infer<typeof ownPasswordSchema>;

/** A word that lets somebody in once, to choose a password of their own. Told this once; it is not kept. */
export const onceWordSchema = z.object({ name: z.string(), word: z.string(), until: z.string() });
export type OnceWord = z.infer<typeof onceWordSchema>;

/** Somebody signed in, or tried to. */
export const signInLineSchema = z.object({ name: z.string(), at: z.string(), succeeded: z.boolean() });
export type SignInLine = z.infer<typeof signInLineSchema>;

/** What is left out stays as it stands. */
export const personChangeSchema = z.strictObject({
  active: z.boolean().optional(),
  roles: roles.optional(),
  qualifiedUntil: isoDate.nullable().optional(),
  /** Who gave each, and when, the server says: what stands already keeps its giver. */
  qualifications: z
    .array(givenSchema)
    .refine((all) => new Set(all.map(({ family }) => family)).size === all.length, 'names a family twice')
    .nullable()
    .optional(),
});
export type PersonChange = z.infer<typeof personChangeSchema>;
