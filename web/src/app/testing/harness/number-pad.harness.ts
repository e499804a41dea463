import { ComponentHarness } from '@angular/cdk/testing';

/** The digits that hands in gloves get. */
export class NumberPadHarness extends ComponentHarness {
  static readonly hostSelector = 'tm-number-pad';
  private readonly keys = this.locatorForAll('button');

  /** Presses keys one after the other; ← takes the last digit back. */
  async press(...keys: string[]): Promise<void> {
    for (const key of keys) {
      const buttons = await this.keys();
      const texts = await Promise.all(buttons.map((button) => button.text()));
      const button = buttons[texts.indexOf(key)];
      if (!button) throw new Error(`the pad has no key '${key}'`);
      await button.click();
    }
  }
}
