import { DestroyRef, inject, Injectable, signal } from '@angular/core';

export interface KeyHelp {
  readonly key: string;
  readonly does: string;
}

/** The keys of the screen in hand, so that `?` can show them. */
@Injectable({ providedIn: 'root' })
export class Keys {
  readonly here = signal<readonly KeyHelp[]>([]);

  /**
   * Listens to keys for as long as the calling component lives. Keys typed into fields, and those held with Ctrl, Alt
   * or Meta, are left alone.
   */
  use(help: readonly KeyHelp[], handle: (key: string, event: KeyboardEvent) => boolean): void {
    this.here.set(help);
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented || isField(event.target)) return;
      // Enter on a button or link is that button's own.
      if (event.key === 'Enter' && event.target instanceof HTMLElement && event.target.closest('button, a, summary'))
        return;
      if (handle(event.key, event)) event.preventDefault();
    };
    document.addEventListener('keydown', listen);
    inject(DestroyRef).onDestroy(() => {
      document.removeEventListener('keydown', listen);
      if (this.here() === help) this.here.set([]);
    });
  }
}

function isField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable], nz-select') !== null
  );
}
