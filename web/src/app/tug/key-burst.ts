/** Keys closer together than this come from a gauge or reader, not from a hand. */
const BURST_MS = 60;

/**
 * Tells a single key pressed by a hand from a line typed by a keyboard-like gauge, so that '118.4' sent while a failure
 * mode is asked for is a reading and not three failure modes.
 */
export class KeyBurst {
  private keys = '';
  private timer: ReturnType<typeof setTimeout> | undefined;

  /**
   * @param single called with a key that stayed alone
   * @param line called with everything typed in one burst that ended with Enter
   */
  constructor(
    private readonly single: (key: string) => void,
    private readonly line: (text: string) => void,
  ) {}

  /** Takes one printable key or Enter; returns whether it belongs to a burst or may be one. */
  take(key: string): boolean {
    clearTimeout(this.timer);
    if (key === 'Enter') {
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

  stop(): void {
    clearTimeout(this.timer);
    this.keys = '';
  }

  private settle(): void {
    const keys = this.keys;
    this.keys = '';
    // A burst that never ended with Enter was no reading; only a key that stayed alone means something.
    if (keys.length === 1) this.single(keys);
  }
}
