import { isZone } from '@tug-mark/core';
import { z } from 'zod';
import { isoDate } from './parts';
import { ROLES } from './roles';

export const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  role: z.enum(ROLES),
  active: z.boolean(),
  /** Last day of the qualification; null: none needed. */
  qualifiedUntil: isoDate.nullable(),
});
export type Person = z.infer<typeof personSchema>;

const name = z.string().trim().min(1, 'is empty').max(60, 'is longer than 60 characters');
const newPassword = z.string().min(10, 'needs at least 10 characters').max(200, 'is longer than 200 characters');

export const signInSchema = z.strictObject({ name, password: z.string().min(1, 'is empty').max(200) });
export type SignIn = z.infer<typeof signInSchema>;

/** An IANA time zone. */
export const zone = z.string().max(60).refine(isZone, 'is no time zone this server knows');

export const firstEngineerSchema = z.strictObject({
  shopName: name,
  name,
  password: newPassword,
  /** The zone the shop's days are counted in; the server's own when it is left out. */
  zone: zone.optional(),
});
export type FirstEngineer = z.infer<typeof firstEngineerSchema>;

export const newPersonSchema = z.strictObject({
  id: z.uuid(),
  name,
  role: z.enum(ROLES),
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

export const personChangeSchema = z.strictObject({ active: z.boolean(), qualifiedUntil: isoDate.nullable() });

/** Who is here, and in which shop. */
export const hereSchema = z.object({
  person: personSchema.nullable(),
  /** Signed in with a word for once: nothing else goes before a password of one's own is chosen. */
  mustChoose: z.boolean().optional(),
  shop: z.object({
    name: z.string(),
    id: z.uuid(),
    isDemo: z.boolean(),
    zone: z.string(),
    /** No account exists yet: the first page makes the first engineer's. */
    isNew: z.boolean(),
    demoSignIns: z.array(z.object({ name: z.string(), role: z.enum(ROLES), password: z.string(), note: z.string() })),
  }),
});
export type Here = z.infer<typeof hereSchema>;
