import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import { PLAIN_SETTINGS } from '@tug-mark/contract';
import { FORCE_UNITS, LENGTH_SHOWN, type Language } from '@tug-mark/core';
import { sessionActions } from '../session/session.state';

const LOOKS = ['system', 'light', 'dark'] as const;

/** What is set on this device and stays with it, whoever sits there. */
export interface Settings {
  /** How the screen looks: as the system wishes until somebody says otherwise. */
  readonly look: (typeof LOOKS)[number];
  readonly forceUnit: (typeof FORCE_UNITS)[number];
  readonly lengthShown: (typeof LENGTH_SHOWN)[number];
  /** Whether the key that says how a joint failed keeps its reading too. */
  readonly keepsByNumber: boolean;
  /** The station's force gauge and caliper; null: values are typed. */
  readonly gauge: string | null;
  readonly caliper: string | null;
  /** The bench this device stands at; null: none, or nobody has said. */
  readonly bench: string | null;
  /** CSS pixels per millimetre, as measured with a ruler; 1.5 to 20 is what screens have. */
  readonly pxPerMm: number | null;
  /** What was set on this device and goes before what the shop says. */
  readonly own: readonly (keyof typeof AS_SHOP)[];
  /** The shop's, not the device's: decimals of forces and strip lengths, and how days are written. */
  readonly forceDecimals: number;
  readonly lengthDecimals: number;
  readonly language: Language;
}

/** What a device shows as the shop has it until somebody sets it here. */
const AS_SHOP = { forceUnit: 'N', lengthShown: 'mm' } as const;
const isAsShop = (name: string): name is keyof typeof AS_SHOP => name in AS_SHOP;

/**
 * Names that were set on this device. Before the shop could say, every one was kept with the first that was set: what is then as it
 * always was to begin with, nobody set.
 */
function ownOf(kept: Readonly<Record<string, unknown>>): Settings['own'] {
  const { own } = kept;
  if (Array.isArray(own)) return own.filter((name): name is keyof typeof AS_SHOP => isAsShop(String(name)));
  return Object.keys(AS_SHOP)
    .filter(isAsShop)
    .filter((name) => kept[name] !== undefined && kept[name] !== AS_SHOP[name]);
}

/** Settings out of whatever was kept; read by hand, because the first page would wait for a schema library with it. */
function settingsOf(kept: Readonly<Record<string, unknown>>): Settings {
  const oneOf = <T extends string>(value: unknown, all: readonly T[], otherwise: T) =>
    all.find((each) => each === value) ?? otherwise;
  const text = (value: unknown) => (typeof value === 'string' ? value : null);
  const px = kept['pxPerMm'];
  return {
    look: oneOf(kept['look'], LOOKS, 'system'),
    forceUnit: oneOf(kept['forceUnit'], FORCE_UNITS, 'N'),
    lengthShown: oneOf(kept['lengthShown'], LENGTH_SHOWN, 'mm'),
    keepsByNumber: kept['keepsByNumber'] === true,
    gauge: text(kept['gauge']),
    caliper: text(kept['caliper']),
    bench: text(kept['bench']),
    pxPerMm: typeof px === 'number' && px >= 1.5 && px <= 20 ? px : null,
    own: ownOf(kept),
    ...{ forceDecimals: PLAIN_SETTINGS.forceDecimals, lengthDecimals: PLAIN_SETTINGS.lengthDecimals },
    language: PLAIN_SETTINGS.language,
  };
}

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
  return settingsOf({ ...former, ...(px > 0 && { pxPerMm: px }), ...read(localStorage.getItem(KEY)) });
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
    settingsOf({}),
    on(settingsActions.set, (settings, { changes }): Settings => ({
      ...settings,
      ...changes,
      own: [...new Set([...settings.own, ...Object.keys(changes).filter(isAsShop)])],
    })),
    on(sessionActions.arrived, (settings, { here }): Settings => {
      const { forceUnit, lengthShown, forceDecimals, lengthDecimals, language } = here.shop.settings;
      const shops = { forceUnit, lengthShown };
      const asShop = Object.fromEntries(
        Object.entries(shops).filter(([name]) => !settings.own.some((own) => own === name)),
      );
      return { ...settings, ...asShop, forceDecimals, lengthDecimals, language };
    }),
  ),
});
