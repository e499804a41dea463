import { By, Key, until } from 'selenium-webdriver';
import type { Browser } from './browser';

/** Stops of the Tab key after which whoever looks for something gives up. */
const MOST_STOPS = 500;

/** Hands that never leave the keyboard: everything is reached by Tab, pressed by Enter or Space, chosen by arrows and typing. */
export class Keyboard {
  constructor(private readonly browser: Browser) {}

  private hit(...keys: string[]): Promise<void> {
    return this.browser.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  }

  /** Types in place of what stands in the field that has the focus. */
  private over(text: string): Promise<void> {
    return this.browser.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).sendKeys(text).perform();
  }

  /**
   * Goes on with Tab until what has the focus is what is looked for.
   * @param test of the element `el`, as an expression in the page
   */
  async reach(test: string, what: string): Promise<void> {
    const isThere = () =>
      this.browser.driver.executeScript<boolean>(
        `const el = document.activeElement; if (!el || el === document.body) return false; return Boolean(${test});`,
      );
    // What is being fetched comes in a moment.
    for (let i = 0; i < MOST_STOPS; i++) {
      if (await isThere()) return;
      if (i > 0 && i % 150 === 0) await this.browser.driver.sleep(1000);
      await this.hit(Key.TAB);
    }
    throw new Error(`the Tab key never came to ${what}`);
  }

  /** A button or a link by its words: exactly these, or beginning with them where none says exactly that. */
  async press(words: string): Promise<void> {
    await this.browser.sees(words);
    const said = "(el.textContent ?? '').replace(/\\s+/g, ' ').trim()";
    await this.reach(
      `(el.tagName === 'BUTTON' || el.tagName === 'A') && ${said}.startsWith(${JSON.stringify(words)})`,
      `'${words}'`,
    );
    await this.hit(Key.ENTER);
  }

  async field(id: string): Promise<void> {
    await this.browser.driver.wait(until.elementLocated(By.id(id)), 20_000, `no field ${id}`);
    await this.reach(`el.id === ${JSON.stringify(id)}`, `the field ${id}`);
  }

  /** Types into a field, in place of what stands there. */
  async type(id: string, text: string): Promise<void> {
    await this.field(id);
    await this.over(text);
  }

  /** Chooses from an opening list: opened with Enter, gone through with the arrows. */
  async choose(id: string, words: string): Promise<void> {
    await this.field(id);
    await this.hit(Key.ENTER);
    await this.browser.driver.sleep(250);
    const current = () =>
      this.browser.driver.executeScript<string>(
        "return document.querySelector('.ant-select-item-option-active')?.textContent?.trim() ?? ''",
      );
    for (let i = 0; i < 60; i++) {
      if ((await current()) === words) {
        await this.hit(Key.ENTER);
        return;
      }
      await this.hit(Key.ARROW_DOWN);
    }
    throw new Error(`the list of ${id} never came to '${words}'`);
  }

  /** Ticks what stands beside these words. */
  async tick(words: string): Promise<void> {
    await this.reach(
      `el.type === 'checkbox' && (el.closest('label')?.textContent ?? '').includes(${JSON.stringify(words)})`,
      `the tick '${words}'`,
    );
    await this.hit(Key.SPACE);
  }

  /** Among buttons of one choice, with the arrows to the one of these words. */
  async arrowTo(group: string, words: string): Promise<void> {
    await this.reach(`el.type === 'radio' && el.closest(${JSON.stringify(group)})`, group);
    const chosen = () =>
      this.browser.driver.executeScript<string>(
        "return document.activeElement.closest('label')?.textContent?.trim() ?? ''",
      );
    for (let i = 0; i < 30 && (await chosen()) !== words; i++) await this.hit(Key.ARROW_RIGHT);
  }

  /** Types a day, which counts with Enter or when the field is left. */
  async day(id: string, text: string): Promise<void> {
    await this.field(id);
    await this.over(text);
    await this.hit(Key.TAB);
  }
}
