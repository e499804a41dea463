import type { ComponentHarness, HarnessQuery } from '@angular/cdk/testing';
import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Driver, Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';
import { kitOf, SETTLE } from './kit';
import { SelectHarness } from '../../web/src/app/testing/harness/select.harness';

/** How long a page may take to show what a person waits for, ms. Generous: two cores serve browser, server and database. */
export const PATIENCE = 20_000;

/** Between two keys of a hand, ms; a scanner's or gauge's come within 35. */
const HAND_MS = 60;

/** Chromium without its window: less work for the same pages. Not by the script in /usr/bin, which ends without it. */
const WITHOUT_WINDOW = '/usr/lib/chromium/chromium-headless-shell';
/** Chromium as people have it: what is timed is timed in it. */
export const AS_PEOPLE_HAVE_IT = '/usr/bin/chromium';

/** A headless Chromium at an exact size, driven as a person would: by what stands on the screen. */
export class Browser {
  private constructor(
    readonly driver: WebDriver & Driver,
    private readonly address: string,
  ) {}

  static async open(address: string, width = 1280, height = 800, program = WITHOUT_WINDOW): Promise<Browser> {
    const options = new Options();
    options.setBinaryPath(program);
    options.addArguments(
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-dev-shm-usage',
      '--lang=en-GB',
    );
    const driver = Driver.createSession(options, new ServiceBuilder('/usr/bin/chromedriver').build()) as WebDriver &
      Driver;
    const browser = new Browser(driver, address);
    await browser.size(width, height);
    // No transitions: what is looked at is what the page comes to.
    await driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
      features: [{ name: 'prefers-reduced-motion', value: 'reduce' }],
    });
    return browser;
  }

  async size(width: number, height: number): Promise<void> {
    await this.driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      deviceScaleFactor: 1,
      mobile: false,
    });
  }

  /** Keeps requests to some addresses from leaving the browser. */
  async block(...addresses: string[]): Promise<void> {
    await this.driver.sendDevToolsCommand('Network.enable', {});
    await this.driver.sendDevToolsCommand('Network.setBlockedURLs', { urls: addresses });
  }

  async close(): Promise<void> {
    await this.driver.quit();
  }

  /** Goes to an address within the open page, as a link on it does; opens the page where it is not open yet. */
  async turnTo(path: string): Promise<void> {
    const isOpen = await this.driver.executeScript<boolean>(
      `if (location.origin !== arguments[1]) return false;
       history.pushState(null, '', arguments[0]);
       dispatchEvent(new PopStateEvent('popstate'));
       return true;`,
      path,
      this.address,
    );
    await (isOpen ? this.drawn() : this.go(path));
  }

  /** Opens an address in a page of its own, as a bookmark does. */
  async go(path: string): Promise<void> {
    await this.driver.get(`${this.address}${path}`);
  }

  /** The button or link with this text, else the first that has it in its text; waits until it shows. */
  async button(text: string): Promise<WebElement> {
    const matching = (test: string) => this.driver.findElements(By.xpath(`//button[${test}] | //a[${test}]`));
    const found = await this.driver.wait(
      async () =>
        (await matching(`normalize-space(.)=${quote(text)}`))[0] ??
        (await matching(`contains(normalize-space(.), ${quote(text)})`))[0] ??
        null,
      PATIENCE,
      `No button says: ${text}`,
    );
    if (!found) throw new Error(`No button says: ${text}`);
    return this.visible(found, text);
  }

  async field(label: string): Promise<WebElement> {
    const found = await this.shown(By.xpath(`//label[contains(normalize-space(.), ${quote(label)})]`));
    return this.driver.findElement(By.id((await found.getAttribute('for')) ?? ''));
  }

  /** A part of the kit on the page, spoken to by the harness it is tested with. */
  async part<H extends ComponentHarness>(query: HarnessQuery<H>): Promise<H> {
    const loader = kitOf(this.driver);
    const found = await this.driver.wait(
      async () => (await loader.getAllHarnesses(query))[0] ?? null,
      PATIENCE,
      'No such part is on the page',
    );
    if (!found) throw new Error('No such part is on the page');
    return found;
  }

  /** Chooses from an opening list, by what it offers; a long one is searched by typing. */
  async choose(id: string, text: string): Promise<void> {
    await this.retry(async () => {
      const list = await this.part(SelectHarness.with({ id }));
      await this.driver.executeScript("document.getElementById(arguments[0])?.scrollIntoView({ block: 'center' })", id);
      await list.choose(text);
    });
  }

  press(text: string): Promise<void> {
    return this.clickOn(() => this.button(text));
  }

  /** Clicks what a locator finds, as soon as it shows. */
  click(locator: By): Promise<void> {
    return this.clickOn(() => this.shown(locator));
  }

  private clickOn(find: () => Promise<WebElement>): Promise<void> {
    return this.retry(async () => {
      const found = await find();
      // As a person does: scrolled clear of what sticks to the foot of the page.
      await this.driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", found);
      await found.click();
    });
  }

  /** Types keys into whatever has the focus, with the pauses a hand makes: what comes faster is a scanner or a gauge. */
  async keys(...keys: string[]): Promise<void> {
    let actions = this.driver.actions();
    for (const key of keys.flatMap((text) => [...text])) actions = actions.sendKeys(key).pause(HAND_MS);
    await actions.perform();
  }

  /** Types a line as a scanner or a gauge does. */
  async device(line: string, end: string = Key.ENTER): Promise<void> {
    await this.driver.actions().sendKeys(line, end).perform();
  }

  async fill(label: string, text: string): Promise<void> {
    await this.retry(async () => {
      const field = await this.field(label);
      await field.clear();
      await field.sendKeys(text);
    });
  }

  /** Waits until the page's text holds this; `patience` in ms, for what is long in the making. */
  async sees(text: string, patience = PATIENCE): Promise<void> {
    await this.driver
      .wait(async () => (await this.text()).includes(text), patience, `The page never showed: ${text}`)
      .catch(async (error: unknown) => {
        throw new Error(
          `${String(error)}\n--- it shows:\n${(await this.text()).replace(/\s*\n\s*/g, ' | ').slice(0, 1500)}`,
        );
      });
  }

  /** Waits until the focus is on this: keys go there then. */
  async atFocus(selector: string): Promise<void> {
    await this.driver.wait(
      () =>
        this.driver.executeScript<boolean>('return document.activeElement?.matches(arguments[0]) ?? false', selector),
      PATIENCE,
      `The focus never came to: ${selector}`,
    );
  }

  /** Waits until nothing of this is on the page. */
  async gone(selector: string): Promise<void> {
    await this.driver.wait(
      async () => !(await this.driver.findElements(By.css(selector))).length,
      PATIENCE,
      `It stays on the page: ${selector}`,
    );
  }

  /** Waits until what was just done is drawn. */
  async drawn(): Promise<void> {
    await this.driver.executeAsyncScript(SETTLE);
  }

  async text(): Promise<string> {
    return this.driver.executeScript<string>('return document.body.innerText');
  }

  async heading(): Promise<string> {
    return (await this.shown(By.css('h1'))).getText();
  }

  async shot(): Promise<Buffer> {
    await this.driver.executeAsyncScript(
      'document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => arguments[0]())))',
    );
    return Buffer.from(await this.driver.takeScreenshot(), 'base64');
  }

  async shown(locator: By): Promise<WebElement> {
    const found = await this.driver.wait(
      until.elementLocated(locator),
      PATIENCE,
      `Not on the page: ${String(locator)}`,
    );
    return this.visible(found, String(locator));
  }

  /** Waits until an element that is there is seen; tells what the page shows where it never is. */
  private visible(found: WebElement, which: string): Promise<WebElement> {
    return this.driver.wait(until.elementIsVisible(found), PATIENCE).catch(async () => {
      throw new Error(
        `Hidden: ${which}\n--- the page shows:\n${(await this.text()).replace(/\s*\n\s*/g, ' | ').slice(0, 1500)}`,
      );
    });
  }

  /** An element can be redrawn between finding and clicking it. */
  private async retry(act: () => Promise<void>): Promise<void> {
    for (let tries = 0; ; tries++) {
      try {
        await act();
        return;
      } catch (error) {
        if (tries > 4 || !/stale|intercepted|not interactable/i.test(String(error))) throw error;
        await this.driver.sleep(150);
      }
    }
  }
}

function quote(text: string): string {
  return text.includes("'") ? `"${text}"` : `'${text}'`;
}
