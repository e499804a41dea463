import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { KeyBurst } from '../parts/key-burst';

export interface KeyHelp {
  readonly key: string;
  readonly does: string;
}

/** What a screen does with keys, and with a line a scanner or a gauge has typed outside any field. */
export interface KeyUse {
  readonly handle: (key: string, event: KeyboardEvent) => boolean;
  /** Absent where the screen takes none: the line is told and nothing else happens. */
  readonly line?: (text: string) => void;
}

const isPrintable = (key: string) => key.length === 1 && key !== ' ';

/**
 * The keys of the screen in hand, so that `?` can show them. Scanners and gauges type like keyboards: their lines are told
 * from single keys on every screen, so that none of them is taken for a row of commands.
 */
@Injectable({ providedIn: 'root' })
export class Keys {
  readonly here = signal<readonly KeyHelp[]>([]);
  /** A line that was typed by a device on a screen that takes none; empty when nothing is to be told. */
  readonly unheard = signal('');

  /**
   * Listens to keys for as long as the calling component lives. Keys typed into fields, and those held with Ctrl, Alt
   * or Meta, are left alone.
   */
  use(help: readonly KeyHelp[], does: KeyUse | KeyUse['handle']): void {
    const use = typeof does === 'function' ? { handle: does } : does;
    this.here.set(help);
    this.unheard.set('');
    let pressed: KeyboardEvent | null = null;
    const burst = new KeyBurst(
      (key) => {
        this.unheard.set('');
        if (pressed) use.handle(key, pressed);
      },
      (line) => {
        if (use.line) use.line(line);
        else this.unheard.set(line);
      },
    );
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented || isField(event.target)) return;
      const { key } = event;
      if (isPrintable(key)) {
        pressed = event;
        burst.take(key);
        event.preventDefault();
        return;
      }
      if ((key === 'Enter' || key === 'Tab') && burst.take(key)) {
        event.preventDefault();
        return;
      }
      // Enter on a button or link is that button's own.
      if (key === 'Enter' && event.target instanceof HTMLElement && event.target.closest('button, a, summary')) return;
      if (use.handle(key, event)) event.preventDefault();
    };
    document.addEventListener('keydown', listen);
    inject(DestroyRef).onDestroy(() => {
      burst.stop();
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
