import { ComponentHarness, HarnessPredicate } from '@angular/cdk/testing';

/** One of a few, side by side as buttons. */
export class ChoiceButtonsHarness extends ComponentHarness {
  static readonly hostSelector = 'tm-choice-buttons';
  /** The group of this name. */
  static with({ label }: { readonly label: string }): HarnessPredicate<ChoiceButtonsHarness> {
    return new HarnessPredicate(ChoiceButtonsHarness, {}).addOption('label', label, (group, wanted) =>
      HarnessPredicate.stringMatches(group.label(), wanted),
    );
  }

  private readonly buttons = this.locatorForAll('label');

  async label(): Promise<string | null> {
    return (await this.locatorFor('nz-radio-group')()).getAttribute('aria-label');
  }

  async offers(): Promise<string[]> {
    return Promise.all((await this.buttons()).map((button) => button.text()));
  }

  /** What is chosen; null while nothing is. */
  async chosen(): Promise<string | null> {
    for (const button of await this.buttons())
      if (await button.hasClass('ant-radio-button-wrapper-checked')) return button.text();
    return null;
  }

  async choose(text: string): Promise<void> {
    for (const button of await this.buttons())
      if ((await button.text()) === text) {
        await button.click();
        return;
      }
    throw new Error(`no button says '${text}'; there are: ${(await this.offers()).join(' | ')}`);
  }
}
