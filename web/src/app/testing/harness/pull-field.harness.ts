import { ComponentHarness } from '@angular/cdk/testing';
import { NumberPadHarness } from './number-pad.harness';
import { SelectHarness } from './select.harness';

/** The force in hand: the field it is typed into, or the number with its margin. */
export class PullFieldHarness extends ComponentHarness {
  static readonly hostSelector = 'tm-pull-field';
  private readonly field = this.locatorFor('#force');
  private readonly verdictLine = this.locatorForOptional('.verdict');
  readonly pad = this.locatorFor(NumberPadHarness);
  readonly unit = this.locatorFor(SelectHarness.with({ id: 'unit' }));

  /** Types a force and has it judged. */
  async judge(text: string): Promise<void> {
    const field = await this.field();
    await field.clear();
    await field.sendKeys(text);
    await this.submit();
  }

  async submit(): Promise<void> {
    await (await this.locatorFor('button[type=submit]')()).click();
  }

  async typed(): Promise<string> {
    return (await this.field()).getProperty<string>('value');
  }

  /** The margin in words; empty while nothing is judged. */
  async verdict(): Promise<string> {
    return (await (await this.verdictLine())?.text()) ?? '';
  }
}
