import { ForceGauge } from '@tug-mark/stand-ins/force-gauge';
import { mkdir, writeFile } from 'node:fs/promises';
import { By, Key } from 'selenium-webdriver';
import {
  climbTo,
  lookByKeys,
  openCombination,
  openShelf,
  pullByKeys,
  setUpByKeys,
  signOut,
  takeSeat,
  takeToolByKeys,
} from './bench';
import { Browser } from './browser';
import { Server } from './server';

/* npm run screenshots: one picture of each main view, from demo data, at 1280x800. */

const FOLDER = new URL('../../docs/screenshots/', import.meta.url);
await mkdir(FOLDER, { recursive: true });
const server = await Server.open('demo');
const gauge = new ForceGauge({ port: 0, seed: 3, rate: 1000, model: {} });
const gaugePort = await gauge.listen();
const marek = await server.as('Marek');
const gauges = (await (await marek('GET', 'gauges')).json()) as { id: string }[];
const firstGauge = gauges.find((g) => g.id === 'G-1');
await marek('PUT', 'gauges', { ...firstGauge, port: gaugePort });
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
  await takeSeat(browser, 'Odile');
  await browser.press('Bring in a wire list');
  await browser.press('Take the demo');
  await browser.sees('66 wires would become 18 combinations');
  await browser.click(By.css('tm-import-list form button[type=submit]'));
  await browser.sees('66 wires became');
  await browser.sees('Sprayer loom');
  await picture('bench');
  await openCombination(browser, 'FL-RT-0515', 'FL-W-0075', 'Sprayer loom');
  await browser.sees('does not belong together');

  await openCombination(browser, 'FL-RB-0406', 'FL-W-0075', 'Sprayer loom');
  await browser.sees('Go on to Prepare');
  await browser.keys(Key.ENTER);
  await browser.sees('Go on to Tool');
  await picture('prepare');
  await browser.keys(Key.ENTER);
  await browser.sees('mark to verify');
  await picture('tool');
  await takeToolByKeys(browser);
  await browser.keys(Key.ENTER);
  await browser.sees('Look at the stripped end');
  await browser.keys(Key.ENTER);
  await browser.sees('End on, before the bite');
  await browser.driver.sleep(300);
  await picture('crimp');

  await openCombination(browser, 'FL-RT-0406', 'FL-W-0075', 'Sprayer loom');
  await setUpByKeys(browser, 5, '7.6');
  await browser.keys(Key.ENTER);
  await browser.sees('Piece 1 of 5');
  await browser.press('Wire past the barrel');
  await browser.keys('3');
  await browser.sees('which fault?');
  await picture('look');
  await browser.keys(Key.ESCAPE);
  await browser.press('Tongue');
  await lookByKeys(browser);
  await climbTo(browser, 'Tug');
  for (const force of ['116.2', '112.2', '121.3']) await pullByKeys(browser, force);
  await browser.choose('station-gauge', 'G-1');
  await browser.shown(By.css('tm-force-strip canvas'));
  await browser.driver.sleep(700);
  await browser.keys('t');
  await browser.sees('is in hand.');
  gauge.startPull('slide', 118, { speed: 120 });
  await browser.sees('the curve says so');
  await picture('tug');

  await openCombination(browser, 'FL-RB-0406', 'FL-W-0075', 'Chassis loom');
  await browser.press('Record');
  await browser.sees('Journal,');
  await picture('record');
  await openCombination(browser, 'FL-OC-1508', 'FL-W-0100', 'Sensor bar');
  await climbTo(browser, 'Lot');
  await browser.sees('Pull piece 101');
  await browser.driver.sleep(900);
  await picture('lot');
  await openCombination(browser, 'FL-OC-1508', 'FL-W-0100', 'Sensor bar');
  await climbTo(browser, 'Look');
  // Pressed sooner, it would be a button of the page before.
  await browser.sees('All 5 pieces are looked at');
  await browser.driver.sleep(900);
  await browser.press('Piece 2');
  await browser.sees('Photographs of piece 2');
  const section = await browser.shown(By.xpath("//tm-piece-photos//a[contains(., 'section')]"));
  await browser.go((await section.getAttribute('href'))?.replace(/^https?:\/\/[^/]+/, '') ?? '');
  await browser.sees('Pressed too little');
  await picture('section');
  await openCombination(browser, 'FL-RB-0406', 'FL-W-0075', 'Chassis loom');
  await climbTo(browser, 'Look');
  await browser.press('What caused it?');
  await browser.sees('confirmed cases');
  await picture('cause');
  await openCombination(browser, 'FL-RT-0406', 'FL-W-0100', 'Sensor bar');
  await climbTo(browser, 'Lot');
  await browser.press('Chart');
  await browser.sees('Meets the limit after about');
  await browser.driver.sleep(600);
  await picture('chart');
  await openCombination(browser, 'FL-SC-1510', 'FL-W-0075', 'Mast loom');
  await climbTo(browser, 'Release');
  await browser.sees('Next: mount and check.');
  await browser.press('Set-up sheet');
  await browser.shown(By.css('.sheet svg'));
  await picture('sheet');
  await browser.turnTo('/bench');
  await browser.press('Mast loom');
  await browser.press('Its connectors, cavity by cavity');
  await browser.sees('X1: cavity 1 comes next');
  await browser.click(By.id('cavity-push'));
  await browser.keys('36', Key.ENTER);
  await browser.sees('X1: cavity 2 comes next');
  await picture('cavities');
  await openShelf(browser, 'Finder');
  await (await browser.shown(By.id('finder-wire'))).sendKeys('FL-W-0075', Key.ENTER);
  await (await browser.field('What is stamped')).sendKeys('2-5');
  await browser.sees('best first.');
  await picture('finder');
  await openShelf(browser, 'House rules');
  await browser.sees('Strand lay');
  await browser.choose('beside-profile', 'Charging dock');
  await picture('house-rules');
  await browser.go('/shop/cabinet/terminal/FL-SC-1510');
  await browser.sees('Beside it');
  await browser.choose('beside', 'FL-SC-2825');
  await browser.sees('fields differ');
  await picture('cabinet');
  await signOut(browser);
  await takeSeat(browser, 'Ines');
  await openShelf(browser, 'Limits');
  await browser.sees('Withdraw rev');
  await browser.click(By.xpath("//li//button[contains(., 'rev D')]"));
  await browser.choose('compare-with', 'FL-SPEC-07 rev C');
  await browser.sees('rows differ');
  await picture('limits');
  await signOut(browser);
  await takeSeat(browser, 'Marek');
  await browser.press('Plan');
  await browser.sees('Search longer', 40_000);
  // In the evening the day that is worth a picture is the next one.
  const jobs = () => browser.driver.findElements(By.css('tm-plan-board .job'));
  for (const day of await browser.driver.findElements(By.css('[aria-label="Day"] label'))) {
    if ((await jobs()).length > 8) break;
    await day.click();
    await browser.drawn();
  }
  await browser.click(By.css('tm-plan-board .line:nth-of-type(2) .job:nth-of-type(2), tm-plan-board .job'));
  await browser.sees('What it takes');
  await browser.driver.executeScript('window.scrollTo(0, 0)');
  await picture('plan');
  await browser.press('To cut and pick');
  await browser.sees('parts to draw');
  await picture('cut');
} finally {
  await browser.close();
  gauge.close();
  await server.close();
}
