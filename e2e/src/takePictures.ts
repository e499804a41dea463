import { mkdir, writeFile } from 'node:fs/promises';
import { By, Key } from 'selenium-webdriver';
import { climbTo, openCombination, pullByKeys, setUpByKeys, takeSeat } from './bench';
import { Browser } from './browser';
import { Server } from './server';

/* npm run screenshots: one picture of each main view, from demo data, at 1280x800. */

const FOLDER = new URL('../../docs/screenshots/', import.meta.url);
await mkdir(FOLDER, { recursive: true });
const server = await Server.open('demo');
const browser = await Browser.open(server.address);
const picture = async (name: string) => {
  await browser.driver.executeScript('document.activeElement?.blur(); window.scrollTo(0, 0)');
  await browser.driver.sleep(150);
  await writeFile(new URL(`${name}.png`, FOLDER), await browser.shot());
  process.stdout.write(`docs/screenshots/${name}.png\n`);
};
try {
  await browser.go('/');
  await browser.sees('Demo shop');
  await picture('sign-in');
  await takeSeat(browser, 'Odile');
  await browser.press('Import a wire list');
  await browser.press('Take the demo');
  await browser.sees('sprayer-loom.csv');
  await browser.driver.findElement(By.css('tm-import-list form button[type=submit]')).click();
  await browser.sees('66 wires became');
  await browser.sees('Sprayer loom');
  await picture('bench');
  await openCombination(browser, 'FL-RT-0515', 'FL-W-0075', 'Sprayer loom');
  await browser.sees('does not belong together');
  await picture('match');

  await openCombination(browser, 'FL-RB-0406', 'FL-W-0075', 'Sprayer loom');
  await browser.sees('Go on to Prepare');
  await browser.keys(Key.ENTER);
  await browser.sees('Go on to Tool');
  await picture('prepare');
  await browser.keys(Key.ENTER);
  await browser.sees('mark to verify');
  await picture('tool');
  await browser.keys(Key.ENTER);
  await browser.sees('is taken.');
  await browser.keys(Key.ENTER);
  await browser.sees('End on, before the bite');
  await browser.keys(Key.ENTER);
  await browser.sees('Seam lies in the cradle');
  await browser.driver.sleep(300);
  await picture('crimp');

  await openCombination(browser, 'FL-RT-0406', 'FL-W-0075', 'Sprayer loom');
  await setUpByKeys(browser, 5, '8.1');
  await browser.keys(Key.ENTER);
  await browser.sees('Piece 1 of 5');
  for (let i = 0; i < 14; i++) await browser.keys('1');
  await picture('look');
  for (let i = 14; i < 45; i++) await browser.keys('1');
  await browser.sees('All 5 pieces are looked at.');
  await climbTo(browser, 'Tug');
  for (const force of ['116.2', '112.2', '121.3']) await pullByKeys(browser, force);
  await browser.keys('118.4', Key.ENTER);
  await browser.sees('How did it let go?');
  await browser.driver.sleep(100);
  await browser.keys('1');
  await browser.shown(By.css('.ask button.on'));
  await picture('tug');

  await openCombination(browser, 'FL-RB-0406', 'FL-W-0075', 'Chassis loom');
  await browser.press('Record');
  await browser.sees('Journal,');
  await picture('record');
  await browser.press('Records');
  await browser.sees('Last entry');
  await picture('records');
  await browser.press('Cabinet');
  await browser.sees('FL-OC-0603');
  await picture('cabinet');
  await browser.press('Sign out');
  await takeSeat(browser, 'Ines');
  await browser.press('Limits');
  await browser.sees('Withdraw rev');
  await picture('limits');
  await browser.press('Sign out');
  await takeSeat(browser, 'Marek');
  await browser.press('People');
  await browser.sees('A new account');
  await picture('people');
} finally {
  await browser.close();
  await server.close();
}
