import { Injectable, signal } from '@angular/core';
import { LENGTH_SHOWN, showLength, type LengthShown } from '@tug-mark/core';

const KEY = 'tug-mark-lengths';

/** How lengths are shown on this device: millimetres, decimal inches or 64ths. What is stored and judged stays in mm. */
@Injectable({ providedIn: 'root' })
export class Lengths {
  readonly shown = signal<LengthShown>(LENGTH_SHOWN.find((unit) => unit === localStorage.getItem(KEY)) ?? 'mm');

  /** The next of the three ways. */
  turn(): void {
    const next = LENGTH_SHOWN[(LENGTH_SHOWN.indexOf(this.shown()) + 1) % LENGTH_SHOWN.length] ?? 'mm';
    this.shown.set(next);
    localStorage.setItem(KEY, next);
  }
  /** A length in words; beside millimetres where another way is chosen, because stops and calipers may be metric. */
  say(millimetres: number, decimals = 1): string {
    const mm = showLength(millimetres, 'mm', decimals);
    return this.shown() === 'mm' ? mm : `${showLength(millimetres, this.shown(), decimals)} (${mm})`;
  }
}
