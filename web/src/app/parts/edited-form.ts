import { computed, signal, untracked, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { AbstractControl } from '@angular/forms';
import { startWith, switchMap } from 'rxjs';
import { injectTypedMemory, type Remembered, type TypedMemory } from './typed-memory';

/** What a form begins with, and how its typing is remembered. */
export interface Beginning<Form extends AbstractControl> extends Remembered {
  readonly form: Form;
}

/** A form somebody edits until it is kept or left. */
export interface EditedForm<Form extends AbstractControl> {
  readonly form: Signal<Form>;
  readonly memory: Signal<TypedMemory>;
  /** Changes with each change of a value: read before the values of the form are. */
  readonly changes: Signal<unknown>;
  /** How often it was tried to keep the form; what is wrong is told from the first try on. */
  readonly tries: Signal<number>;
  /** It is tried to keep the form. */
  tried(): void;
  /** Throws what is typed away, and begins again. */
  startAgain(): void;
}

/**
 * The form of an editor: begun afresh whenever what it is about changes, and remembering what is typed into it.
 * @param begin reads the signals the form is about
 */
export function injectEditedForm<Form extends AbstractControl>(begin: () => Beginning<Form>): EditedForm<Form> {
  const remember = injectTypedMemory();
  const beginnings = signal(0);
  const tries = signal(0);
  const open = (begun: Beginning<Form>) => ({ form: begun.form, memory: remember(begun) });
  const opening = computed(() => {
    beginnings();
    const begun = begin();
    return untracked(() => {
      try {
        return open(begun);
      } catch {
        // What was remembered does not fit this form any more; it is forgotten, and what it did to the form with it.
        return open(begin());
      }
    });
  });
  const form = computed(() => opening().form);
  const memory = computed(() => opening().memory);
  return {
    form,
    memory,
    changes: toSignal(toObservable(form).pipe(switchMap((each) => each.valueChanges.pipe(startWith(null))))),
    tries: tries.asReadonly(),
    tried: () => {
      tries.update((count) => count + 1);
    },
    startAgain: () => {
      memory().forget();
      tries.set(0);
      beginnings.update((count) => count + 1);
    },
  };
}
