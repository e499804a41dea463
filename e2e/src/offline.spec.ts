import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
import { climbTo, openCombination, takeSeat } from './bench';
import { Browser } from './browser';
import { Server } from './server';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;

describe('A station whose server is switched off', () => {
  let server: Server;
  let browser: Browser;
  let folder: string;
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'tug-mark-offline-'));
    server = await Server.open('demo');
    browser = await Browser.open(server.address);
    await takeSeat(browser, 'Odile');
  });
  afterAll(async () => {
    await browser.close();
    await server.close();
    await rm(folder, { recursive: true, force: true });
  });

  it('keeps a photograph with its entry, shows it, and sends both when the server is back', async () => {
    const path = join(folder, 'piece.png');
    await writeFile(path, await browser.shot());
    await openCombination(browser, 'FL-RB-0406', 'FL-W-0075', 'Chassis loom');
    await climbTo(browser, 'Look');
    await browser.sees('Photographs of piece');
    const photos = () => browser.driver.findElements(By.css('tm-piece-photos .photo'));
    const before = (await photos()).length;
    await server.stop('SIGKILL');
    await browser.driver.findElement(By.css('tm-piece-photos tm-file-button input[type=file]')).sendKeys(path);
    await browser.sees('waits for the server');
    await browser.sees('Server silent · 1 kept here');
    expect((await photos()).length).toBe(before + 1);
    await server.start();
    await browser.driver.wait(async () => !/waits for the server|Server silent/.test(await browser.text()), 90_000);
    const shown = await photos();
    expect(shown.length).toBe(before + 1);
    const src = await shown.at(-1)?.findElement(By.css('img')).getAttribute('src');
    expect(src).toContain('/api/combinations/');
  });

  it('opens its pages all the same, says what is wrong, and goes on when the server is back', async () => {
    // Whatever the outage before has broken off is begun again when the page is opened.
    await browser.driver.navigate().refresh();
    await browser.driver.wait(
      () => browser.driver.executeScript('return navigator.serviceWorker.controller !== null'),
      60_000,
      'the pages are not kept on the device',
    );
    const address = await browser.driver.getCurrentUrl();
    await server.stop('SIGKILL');
    await browser.driver.get(address);
    await browser.sees('The server does not answer');
    await server.start();
    await browser.press('Try again');
    await browser.sees('Photographs of piece');
  });
});
