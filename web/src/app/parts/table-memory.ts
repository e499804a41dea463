import { effect, untracked } from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { injectTypedMemory, type TypedMemory } from './typed-memory';

/**
 * Remembers a table somebody mends before it is brought in, with the fields beside it, as the typing of a form is
 * remembered: through reload, sign-out and a closed page, until it is kept or left.
 * @param place which table it is
 * @param head fields beside it
 * @param work reads and puts back what stands in the table; null where there is none
 */
export function injectTableMemory<T extends object>(
  place: string,
  head: FormGroup | null,
  work: { readonly read: () => T | null; readonly restore: (value: T) => void },
): TypedMemory {
  const table = new FormControl<T | null>(null);
  const form = new FormGroup({ ...(head && { head }), table });
  const memory = injectTypedMemory()({
    form,
    place,
    restore: (value: { readonly head?: object; readonly table: T | null }) => {
      if (head && value.head) {
        head.patchValue(value.head);
        for (const control of Object.values(head.controls)) control.markAsDirty();
      }
      if (value.table) {
        table.setValue(value.table, { emitEvent: false });
        work.restore(value.table);
      }
    },
  });
  effect(() => {
    const now = work.read();
    untracked(() => {
      if (now === null || now === table.value) return;
      table.markAsDirty();
      table.setValue(now);
    });
  });
  return memory;
}
