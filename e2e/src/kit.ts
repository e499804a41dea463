import type { HarnessLoader, ModifierKeys, TestElement } from '@angular/cdk/testing';
import { SeleniumWebDriverElement, SeleniumWebDriverHarnessEnvironment } from '@angular/cdk/testing/selenium-webdriver';
import { By, type WebDriver, type WebElement } from 'selenium-webdriver';

/** What was just done is drawn two frames later, an opening list a moment after that. */
export const SETTLE = 'requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(arguments[0], 20)))';

/** An element of the page, clicked as the driver clicks today: the toolkit's own click asks for a call it no longer has. */
class Element extends SeleniumWebDriverElement {
  constructor(
    element: () => WebElement,
    private readonly settle: () => Promise<void>,
  ) {
    super(element, settle);
  }

  override async click(
    ..._: [ModifierKeys?] | ['center', ModifierKeys?] | [number, number, ModifierKeys?]
  ): Promise<void> {
    await this.element().click();
    await this.settle();
  }
}

/** The page in the real browser, for the harnesses the parts of the kit are tested with. */
class Page extends SeleniumWebDriverHarnessEnvironment {
  /** Pages built for use tell no tester when they have settled. */
  override async forceStabilize(): Promise<void> {
    await this.rawRootElement().getDriver().executeAsyncScript(SETTLE);
  }

  protected override createTestElement(element: () => WebElement): TestElement {
    return new Element(element, () => this.forceStabilize());
  }

  protected override createEnvironment(element: () => WebElement): Page {
    return new Page(element);
  }

  static of(driver: WebDriver): HarnessLoader {
    return new Page(() => driver.findElement(By.css('body')));
  }
}

export const kitOf = (driver: WebDriver): HarnessLoader => Page.of(driver);
