import { computed, Injectable, signal } from '@angular/core';

const KEY = 'tug-mark-px-per-mm';
/** CSS's own idea of a millimetre, right on few screens. */
const NOMINAL = 96 / 25.4;

/** What a millimetre is on this screen, after a check with a ruler or a bank card; remembered on this device. */
@Injectable({ providedIn: 'root' })
export class Screen {
  private readonly checked = signal(read());
  readonly pxPerMm = computed(() => this.checked() ?? NOMINAL);
  readonly isChecked = computed(() => this.checked() !== null);

  /** @param pxPerMm CSS pixels per millimetre, as measured; 1.5 to 20 is what screens have */
  keep(pxPerMm: number): void {
    const value = Math.min(20, Math.max(1.5, pxPerMm));
    this.checked.set(value);
    localStorage.setItem(KEY, String(value));
  }
}

function read(): number | null {
  const value = Number(localStorage.getItem(KEY));
  return value >= 1.5 && value <= 20 ? value : null;
}
