import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import { FORCE_UNITS, LENGTH_SHOWN } from '@tug-mark/core';
import { z } from 'zod';

/** What is set on this device and stays with it, whoever sits there. */
const settingsSchema = z.object({
  /** How the screen looks: as the system wishes until somebody says otherwise. */
  look: z.enum(['system', 'light', 'dark']).catch('system'),
  forceUnit: z.enum(FORCE_UNITS).catch('N'),
  lengthShown: z.enum(LENGTH_SHOWN).catch('mm'),
  /** The station's force gauge and caliper; null: values are typed. */
  gauge: z.string().nullable().catch(null),
  caliper: z.string().nullable().catch(null),
  /** CSS pixels per millimetre, as measured with a ruler; 1.5 to 20 is what screens have. */
  pxPerMm: z.number().min(1.5).max(20).nullable().catch(null),
});
export type Settings = z.infer<typeof settingsSchema>;

const KEY = 'tug-mark-settings';
/** Names of before the settings were one: devices have them still. */
const FORMER = {
  look: 'tug-mark-look',
  forceUnit: 'tug-mark-force-unit',
  lengthShown: 'tug-mark-lengths',
  gauge: 'tug-mark-gauge',
  caliper: 'tug-mark-caliper',
} as const;
const FORMER_PX = 'tug-mark-px-per-mm';

/** The settings as this device keeps them; what cannot be read is as if it had never been set. */
export function readSettings(): Settings {
  const former = Object.fromEntries(
    Object.entries(FORMER).flatMap(([name, key]) => {
      const value = localStorage.getItem(key);
      return value === null ? [] : [[name, value]];
    }),
  );
  const px = Number(localStorage.getItem(FORMER_PX) ?? NaN);
  return settingsSchema.parse({ ...former, ...(px > 0 && { pxPerMm: px }), ...read(localStorage.getItem(KEY)) });
}

function read(text: string | null): object {
  try {
    const kept = JSON.parse(text ?? '{}') as unknown;
    return typeof kept === 'object' && kept !== null ? kept : {};
  } catch {
    return {};
  }
}

export function keepSettings(settings: Settings): void {
  localStorage.setItem(KEY, JSON.stringify(settings));
  for (const key of [...Object.values(FORMER), FORMER_PX]) localStorage.removeItem(key);
}

export const settingsActions = createActionGroup({
  source: 'Settings',
  events: { set: props<{ changes: Partial<Settings> }>() },
});

export const settingsFeature = createFeature({
  name: 'settings',
  reducer: createReducer<Settings>(
    settingsSchema.parse({}),
    on(settingsActions.set, (settings, { changes }): Settings => ({ ...settings, ...changes })),
  ),
});
