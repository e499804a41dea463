import { z } from 'zod';
import { isoDate } from './parts';

export const ROLES = ['technician', 'quality', 'engineer'] as const;
export type Role = (typeof ROLES)[number];

/** What each role may do. The server refuses what is not here; the screens only leave it out. */
const MAY = {
  record: ['technician', 'quality'],
  rule: ['quality'],
  'check-tool': ['technician', 'quality', 'engineer'],
  'import-wire-list': ['technician', 'engineer'],
  'import-shop-file': ['engineer'],
  'import-record': ['quality'],
  'release-limits': ['quality'],
  'manage-people': ['engineer'],
} as const satisfies Record<string, readonly Role[]>;
export type Action = keyof typeof MAY;

/** Whether a role may do something. */
export function may(role: Role, action: Action): boolean {
  return (MAY[action] as readonly Role[]).includes(role);
}

/** The roles that may do it, in words: 'quality' or 'technician or engineer'. */
export function whoMay(action: Action): string {
  return MAY[action].join(' or ');
}

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

export const firstEngineerSchema = z.strictObject({ shopName: name, name, password: newPassword });
export type FirstEngineer = z.infer<typeof firstEngineerSchema>;

export const newPersonSchema = z.strictObject({
  id: z.uuid(),
  name,
  role: z.enum(ROLES),
  password: newPassword,
  qualifiedUntil: isoDate.nullable(),
});
export type NewPerson = z.infer<typeof newPersonSchema>;

export const personChangeSchema = z.strictObject({ active: z.boolean(), qualifiedUntil: isoDate.nullable() });

/** Who is here, and in which shop. */
export const hereSchema = z.object({
  person: personSchema.nullable(),
  shop: z.object({
    name: z.string(),
    isDemo: z.boolean(),
    /** No account exists yet: the first page makes the first engineer's. */
    isNew: z.boolean(),
    demoSignIns: z.array(z.object({ name: z.string(), role: z.enum(ROLES), password: z.string(), note: z.string() })),
  }),
});
export type Here = z.infer<typeof hereSchema>;
