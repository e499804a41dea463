import { ComponentHarness, HarnessPredicate, TestKey, type TestElement } from '@angular/cdk/testing';

/** A list that opens, spoken to as a person would: opened, searched where it is long, chosen from by its words. */
export class SelectHarness extends ComponentHarness {
  static readonly hostSelector = 'tm-select';
  /** The list whose field has this id. */
  static with({ id }: { readonly id: string }): HarnessPredicate<SelectHarness> {
    return new HarnessPredicate(SelectHarness, {}).addOption('id', id, (select, wanted) =>
      select.fieldId().then((own) => own === wanted),
    );
  }

  private readonly field = this.locatorFor('input');
  private readonly box = this.locatorFor('nz-select');

  async fieldId(): Promise<string | null> {
    return (await this.field()).getAttribute('id');
  }

  private async options(): Promise<TestElement[]> {
    const id = await this.fieldId();
    return this.documentRootLocatorFactory().locatorForAll(`.of-${id ?? ''} nz-option-item`)();
  }

  async isOpen(): Promise<boolean> {
    return (await this.box()).hasClass('ant-select-open');
  }

  async open(): Promise<void> {
    if (!(await this.isOpen())) await (await this.box()).click();
  }

  async close(): Promise<void> {
    if (await this.isOpen()) await (await this.field()).sendKeys(TestKey.ESCAPE);
  }

  /** What the opened list offers, as far as it is drawn. */
  async offers(): Promise<string[]> {
    await this.open();
    return Promise.all((await this.options()).map((option) => option.text()));
  }

  /** What is chosen, in the words of the list. */
  async chosen(): Promise<string> {
    return (await this.locatorFor('.out-of-sight')()).text();
  }

  /** Chooses what has these words; a long list is searched by typing them. */
  async choose(text: string): Promise<void> {
    await this.open();
    const field = await this.field();
    if ((await field.getAttribute('aria-autocomplete')) === 'list') await field.sendKeys(text);
    const offered: string[] = [];
    for (const option of await this.options()) {
      const own = await option.text();
      if (own.includes(text)) {
        await option.click();
        return;
      }
      offered.push(own);
    }
    throw new Error(`#${(await this.fieldId()) ?? ''} offers no '${text}', but: ${offered.join(' | ')}`);
  }
}
