import { DestroyRef, inject, signal, untracked } from '@angular/core';
import type { AbstractControl } from '@angular/forms';
import { Store } from '@ngrx/store';
import { sessionFeature } from '../session/session.state';

const PREFIX = 'tug-mark-form';

interface Kept {
  readonly shop: string;
  /** ISO instant of the last key. */
  readonly at: string;
  readonly value: unknown;
}

/** What is typed into a form and not kept yet, remembered on this device. */
export interface TypedMemory {
  /** When what stands in the form was typed, where it came back; null where the form began afresh. */
  readonly backFrom: () => string | null;
  /** It is kept, or thrown away. */
  forget(): void;
}

/**
 * Remembers what a person types into a form through reload, sign-out and a closed page, until {@link TypedMemory.forget}.
 * Called once the form holds what it begins with; what was typed before is put back into it.
 * @param place which form, e.g. 'practice/new'
 * @param restore puts a remembered value back; left out, the form takes it as it is
 */
export function rememberTyped(
  form: AbstractControl,
  place: string,
  restore: (value: never) => void = (value) => {
    form.patchValue(value);
  },
  destroyed: DestroyRef = inject(DestroyRef),
  store: Store = inject(Store),
): TypedMemory {
  const person = untracked(store.selectSignal(sessionFeature.selectPerson))?.id ?? 'nobody';
  const shop = untracked(store.selectSignal(sessionFeature.selectShop))?.id ?? '';
  const key = `${PREFIX}-${person}-${place}`;
  const back = signal<string | null>(null);
  const kept = read(key);
  if (kept?.shop === shop) {
    restore(kept.value as never);
    form.markAsDirty();
    back.set(kept.at);
  }
  const typing = form.valueChanges.subscribe(() => {
    if (!form.dirty) return;
    const now: Kept = { shop, at: new Date().toISOString(), value: form.getRawValue() as unknown };
    localStorage.setItem(key, JSON.stringify(now));
  });
  destroyed.onDestroy(() => {
    typing.unsubscribe();
  });
  return {
    backFrom: back.asReadonly(),
    forget: () => {
      localStorage.removeItem(key);
      back.set(null);
      form.markAsPristine();
    },
  };
}

function read(key: string): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Kept | null;
  } catch {
    // Something else wrote there: as good as nothing.
    return null;
  }
}
