import { ComponentHarness, HarnessPredicate } from '@angular/cdk/testing';

/** A yes or no with its words beside it. */
export class TickHarness extends ComponentHarness {
  static readonly hostSelector = 'tm-tick';
  /** The tick that says this. */
  static with({ text }: { readonly text: string }): HarnessPredicate<TickHarness> {
    return new HarnessPredicate(TickHarness, {}).addOption('text', text, (tick, wanted) =>
      HarnessPredicate.stringMatches(tick.text(), new RegExp(wanted)),
    );
  }

  private readonly box = this.locatorFor('input[type=checkbox]');

  async text(): Promise<string> {
    return (await this.host()).text();
  }

  async isTicked(): Promise<boolean> {
    return (await this.box()).getProperty<boolean>('checked');
  }

  /** Ticks it, or takes the tick away. */
  async turn(): Promise<void> {
    await (await this.box()).click();
  }
}
