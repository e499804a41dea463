import { By, Key } from 'selenium-webdriver';
import type { Browser } from './browser';

/** Signs in with one of the demo shop's seats. */
export async function takeSeat(browser: Browser, name: string): Promise<void> {
  await browser.go('/');
  await browser.press(`${name},`);
  await browser.sees(`${name} ·`);
}

/** Opens a combination of a list from the bench. */
export async function openCombination(browser: Browser, terminal: string, wire: string, list: string): Promise<void> {
  await browser.go('/bench');
  const row = await browser.shown(
    By.xpath(`//tr[contains(., '${terminal}') and contains(., '${wire}') and contains(., '${list}')]//a`),
  );
  await row.click();
  await browser.shown(By.css('tm-ladder'));
}

/** Goes to a stage by its rung on the ladder. */
export async function climbTo(browser: Browser, stage: string): Promise<void> {
  const rung = await browser.shown(By.xpath(`//tm-ladder//a[contains(., '${stage}')]`));
  await rung.click();
}

/** From Match to the last step of Crimp with the Enter key alone; the tool has to be ready. */
export async function setUpByKeys(browser: Browser, steps: number, strip: string): Promise<void> {
  await browser.sees('Go on to Prepare');
  await browser.keys(Key.ENTER);
  await browser.sees('Go on to Tool');
  await browser.keys(Key.ENTER);
  await browser.sees('mark to verify');
  await browser.keys(Key.ENTER);
  await browser.sees('is taken.');
  await browser.keys(Key.ENTER);
  await browser.sees('End on, before the bite');
  await measureByKeys(browser, 'strip', strip);
  for (let i = 0; i < steps; i++) {
    await browser.keys(Key.ENTER);
    await browser.driver.wait(
      async () => (await browser.driver.findElements(By.css('tm-crimp-stage li .pass'))).length === i + 1,
      10_000,
      `step ${i + 1} was not confirmed`,
    );
  }
  await browser.sees('sample pieces just like this');
}

/** Types the same measured length for the first three pieces, by keys alone. */
export async function measureByKeys(browser: Browser, what: 'strip' | 'height', typed: string): Promise<void> {
  for (let piece = 1; piece <= 3; piece++) {
    await browser.shown(By.id(`${what}-typed`));
    await browser.keys(...(piece === 1 ? ['m'] : []), typed, Key.ENTER);
    await browser.driver.wait(
      async () =>
        (await browser.driver.findElements(By.css(`section[aria-labelledby=measure-${what}] .pass`))).length === piece,
      10_000,
      `${what} of piece ${piece} was not kept`,
    );
  }
}

/** Accepts every point of every piece with the key 1. */
export async function lookByKeys(browser: Browser, points: number): Promise<void> {
  await browser.sees('Piece 1 of 5');
  for (let i = 0; i < points; i += 10)
    await browser.keys(...Array.from({ length: Math.min(10, points - i) }, () => '1'));
  await browser.sees('All 5 pieces are looked at.');
}

/** Types one force, says how it let go and keeps it, by keys alone. */
export async function pullByKeys(browser: Browser, force: string, mode = '1'): Promise<void> {
  // Wherever the focus is: digits go to the field.
  await browser.shown(By.id('force'));
  await browser.keys(force, Key.ENTER);
  await browser.sees('How did it let go?');
  // A hand is slower than a gauge: keys closer than 60 ms would be read as one line.
  await browser.driver.sleep(90);
  await browser.keys(mode);
  await browser.shown(By.css('tm-pull-ask button.on'));
  await browser.keys(Key.ENTER);
  await browser.driver.wait(
    async () => (await browser.driver.findElements(By.css('.big input'))).length === 1,
    10_000,
    'the reading was not kept',
  );
}
