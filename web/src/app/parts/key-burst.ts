/** Keys closer together than this come from a scanner or a gauge, not from a hand. */
export const BURST_MS = 35;

/**
 * Tells a single key pressed by a hand from a line typed by a keyboard-like device, so that a scanned number is no row of
 * findings, and '118.4' sent while a failure mode is asked for is a reading and not three failure modes.
 */
export class KeyBurst {
  private keys = '';
  private timer: ReturnType<typeof setTimeout> | undefined;

  /**
   * @param single called with a key that stayed alone
   * @param line called with everything typed in one burst that ended with Enter or Tab
   */
  constructor(
    private readonly single: (key: string) => void,
    private readonly line: (text: string) => void,
  ) {}

  /** Takes one printable key, Enter or Tab; returns whether it belongs to a burst or may be one. */
  take(key: string): boolean {
    clearTimeout(this.timer);
    if (key === 'Enter' || key === 'Tab') {
      if (this.keys.length < 2) {
        this.settle();
        return false;
      }
      const text = this.keys;
      this.keys = '';
      this.line(text);
      return true;
    }
    this.keys += key;
    this.timer = setTimeout(() => {
      this.settle();
    }, BURST_MS);
    return true;
  }

  /** Whether keys have come that are not settled yet: what follows belongs to them. */
  get isOpen(): boolean {
    return this.keys !== '';
  }

  stop(): void {
    clearTimeout(this.timer);
    this.keys = '';
  }

  private settle(): void {
    const keys = this.keys;
    this.keys = '';
    // A burst that never ended was no line; only a key that stayed alone means something.
    if (keys.length === 1) this.single(keys);
  }
}

/** Tells whether what stands in a field was typed in one burst: fed with every key the field hears. */
export class FieldBurst {
  private last = -Infinity;
  private quick = 0;

  /** @param now ms, of any clock that only goes on */
  heard(now: number): void {
    this.quick = now - this.last < BURST_MS ? this.quick + 1 : 0;
    this.last = now;
  }

  /** Whether the keys up to now came faster than a hand types; a number needs three. */
  isBurst(now: number): boolean {
    return this.quick >= 2 && now - this.last < BURST_MS;
  }
}
