import { FORCE_UNITS, isZone, LANGUAGES, LENGTH_SHOWN, PAPERS } from '@tug-mark/core';
import { z } from 'zod';
import { name, newPassword, personSchema } from './people';
import { PLAIN_SETTINGS, type ShopSettings } from './plainSettings';
import { ROLES } from './roles';

/** An IANA time zone. */
export const zone = z.string().max(60).refine(isZone, 'is no time zone this server knows');

export const firstEngineerSchema = z.strictObject({
  shopName: name,
  name,
  password: newPassword,
  /** The zone the shop's days are counted in; the server's own when it is left out. */
  zone: zone.optional(),
  /** Whether this person is technician and quality as well. */
  alone: z.boolean().default(false),
});
export type FirstEngineer = z.input<typeof firstEngineerSchema>;

/** What is left out is as {@link PLAIN_SETTINGS} has it. */
export const shopSettingsSchema = z.strictObject({
  forceUnit: z.enum(FORCE_UNITS).default(PLAIN_SETTINGS.forceUnit),
  lengthShown: z.enum(LENGTH_SHOWN).default(PLAIN_SETTINGS.lengthShown),
  forceDecimals: z.number().int().min(0).max(3).default(PLAIN_SETTINGS.forceDecimals),
  lengthDecimals: z.number().int().min(1).max(3).default(PLAIN_SETTINGS.lengthDecimals),
  language: z.enum(LANGUAGES).default(PLAIN_SETTINGS.language),
  paper: z.enum(PAPERS).default(PLAIN_SETTINGS.paper),
  grades: z
    .array(z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters'))
    .max(20, 'are more than 20')
    .refine((all) => new Set(all).size === all.length, 'names a grade twice')
    .readonly()
    .default([...PLAIN_SETTINGS.grades]),
  idleMinutes: z.number().int().min(1).max(480).nullable().default(PLAIN_SETTINGS.idleMinutes),
} satisfies { [K in keyof ShopSettings]: z.ZodType<ShopSettings[K]> });

export const shopChangeSchema = z.strictObject({ name, zone, settings: shopSettingsSchema });
export type ShopChange = z.infer<typeof shopChangeSchema>;

/** Bytes of a picture that is sent as a logo. */
export const MOST_LOGO = 2 * 1024 * 1024;

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
    settings: shopSettingsSchema,
    /** Digest of the logo for paper; null: none. */
    logo: z.string().nullable(),
    /** When and by whom it was moved here from elsewhere, and when its file was written; null: it began here. */
    movedIn: z.object({ at: z.string(), by: z.string(), digest: z.string(), madeAt: z.string() }).nullable(),
    /** No account exists yet: the first page makes the first engineer's. */
    isNew: z.boolean(),
    demoSignIns: z.array(z.object({ name: z.string(), role: z.enum(ROLES), password: z.string(), note: z.string() })),
  }),
});
export type Here = z.infer<typeof hereSchema>;
