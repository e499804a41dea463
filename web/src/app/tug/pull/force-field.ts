const field = () => document.querySelector<HTMLInputElement>('#force');

/** Sets the cursor into the force's field, once it is drawn. */
export function toForceField(): void {
  setTimeout(() => field()?.focus());
}

/** The next value replaces what stands there, typed by hand or by a gauge, and is not glued to it. */
export function selectForce(): void {
  setTimeout(() => {
    field()?.focus();
    field()?.select();
  });
}

/** Out of the field, so that keys answer what is asked. */
export function leaveForceField(): void {
  field()?.blur();
}

/** Sets the cursor where the reason or the note of a pull is written. */
export function toNoteField(): void {
  setTimeout(() => document.getElementById('reading-note')?.focus());
}
