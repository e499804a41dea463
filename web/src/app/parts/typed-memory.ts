import { DestroyRef, inject, signal, untracked } from '@angular/core';
import type { AbstractControl } from '@angular/forms';
import { Store } from '@ngrx/store';
import { sessionFeature } from '../session/session.state';

const PREFIX = 'tug-mark-form';

interface Kept {
  readonly shop: string;
  /** ISO instant of the last key. */
  readonly at: string;
  /** What the form was about, as it stood when that was typed. */
  readonly over?: string;
  readonly value: unknown;
}

/** What is typed into a form and not kept yet, remembered on this device. */
export interface TypedMemory {
  /** When what stands in the form was typed, where it came back; null where the form began afresh. */
  readonly backFrom: () => string | null;
  /** Whether what the form is about has changed since that was typed. */
  readonly isOverOlder: () => boolean;
  /** It is kept, or thrown away. */
  forget(): void;
}

/** A form whose typing is remembered, as it begins. */
export interface Remembered {
  readonly form: AbstractControl;
  /** Which form it is, e.g. 'practice/new'. */
  readonly place: string;
  /** What the form is about, where somebody else may change it meanwhile. */
  readonly over?: unknown;
  /** Puts a remembered value back; left out, the form takes it as it is. */
  readonly restore?: (value: never) => void;
}

/**
 * Remembers what a person types into a form through reload, sign-out and a closed page, until {@link TypedMemory.forget}.
 * Called once the form holds what it begins with; what was typed before is put back into it.
 * @throws what `restore` throws, the value being forgotten: another release remembered a form of another shape
 */
export function injectTypedMemory(): (remembered: Remembered) => TypedMemory {
  const destroyed = inject(DestroyRef);
  const store = inject(Store);
  const whose = store.selectSignal(sessionFeature.selectPerson);
  const where = store.selectSignal(sessionFeature.selectShop);
  return ({ form, place, over, restore }) => {
    const standing = over === undefined ? undefined : JSON.stringify(over);
    const person = untracked(whose)?.id ?? 'nobody';
    const shop = untracked(where)?.id ?? '';
    const key = `${PREFIX}-${person}-${place}`;
    const back = signal<string | null>(null);
    const isOlder = signal(false);
    const kept = read(key);
    if (kept?.shop === shop) {
      try {
        if (restore) restore(kept.value as never);
        else form.patchValue(kept.value);
      } catch (error) {
        localStorage.removeItem(key);
        throw error;
      }
      form.markAsDirty();
      back.set(kept.at);
      isOlder.set(kept.over !== standing);
    }
    const typing = form.valueChanges.subscribe(() => {
      if (!form.dirty) return;
      const now: Kept = {
        ...{ shop, at: new Date().toISOString(), value: form.getRawValue() as unknown },
        // Typing on does not make it stand on the newer one: only whoever begins again has read that.
        over: isOlder() ? kept?.over : standing,
      };
      try {
        localStorage.setItem(key, JSON.stringify(now));
      } catch {
        // More than this device remembers: what was remembered before is older than what stands here, and would come back as if it were not.
        localStorage.removeItem(key);
      }
    });
    destroyed.onDestroy(() => {
      typing.unsubscribe();
    });
    return {
      backFrom: back.asReadonly(),
      isOverOlder: isOlder.asReadonly(),
      forget: () => {
        localStorage.removeItem(key);
        back.set(null);
        isOlder.set(false);
        form.markAsPristine();
      },
    };
  };
}

/** Places of forms typed for another shop that was at this address. */
export function formsOfOtherShops(shop: string): string[] {
  return Object.keys(localStorage).filter((key) => {
    if (!key.startsWith(`${PREFIX}-`)) return false;
    const kept = read(key);
    return kept !== null && kept.shop !== shop;
  });
}

export function forgetFormsOfOtherShops(shop: string): void {
  for (const key of formsOfOtherShops(shop)) localStorage.removeItem(key);
}

function read(key: string): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Kept | null;
  } catch {
    // Something else wrote there: as good as nothing.
    return null;
  }
}
