import { Caliper } from '@tug-mark/stand-ins/caliper';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { expectAccessible } from './accessibility';
import { climbTo, openCombination, signOut, takeSeat } from './bench';
import { Browser } from './browser';
import { Server } from './server';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 240_000;

/** The demo's contact whose first two sample pieces are looked at; the third is next. */
const CONTACT = ['FL-OC-1508', 'FL-W-0100', 'Chassis loom'] as const;
/** The demo's contact with photographs and cut pieces. */
const CUT = ['FL-OC-1508', 'FL-W-0100', 'Sensor bar'] as const;

describe('What the eye, the caliper and the section say', () => {
  let server: Server;
  let browser: Browser;
  let caliper: Caliper;
  let folder: string;
  beforeAll(async () => {
    server = await Server.open('demo');
    caliper = new Caliper({ port: 0, seed: 5, spread: 0, step: 0.001 });
    const port = await caliper.listen();
    const marek = await server.as('Marek');
    const gauges = (await (await marek('GET', 'gauges')).json()) as { id: string }[];
    await marek('PUT', 'gauges', { ...gauges.find((g) => g.id === 'C-1'), port });
    folder = await mkdtemp(join(tmpdir(), 'tug-mark-photo-'));
    browser = await Browser.open(server.address);
    await takeSeat(browser, 'Odile');
  });
  afterAll(async () => {
    await browser.close();
    caliper.close();
    await server.close();
    await rm(folder, { recursive: true, force: true });
  });
  const here = async () => (await browser.driver.findElement(By.css('#points li.here .title'))).getText();

  it('takes lengths from the caliper’s button, and judges them at once', async () => {
    await openCombination(browser, ...CONTACT);
    await climbTo(browser, 'Look');
    await browser.sees('Piece 3 of 5: mating end');
    await browser.choose('station-caliper', 'C-1');
    await browser.sees('its button measures the point in hand');
    await browser.press('Wire past the barrel');
    caliper.measure(1.9);
    await browser.sees('1.90 mm');
    expect(await here()).toBe('Bite');
    // Scrolled to its end, so that no row is half under the foot.
    await browser.driver.executeScript("document.querySelector('#points li:last-child')?.scrollIntoView()");
    await expectAccessible(browser);
  });

  it('names the fault of a reject by keys alone, from drawings of this very contact, and ranks its cause', async () => {
    // The point lies below the buttons: it is scrolled to, as a hand would.
    const edge = await browser.button('Insulation edge');
    await browser.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', edge);
    await edge.click();
    await browser.keys('3');
    await browser.sees('Reject: which fault?');
    await browser.sees('Insulation in the barrel');
    await browser.keys('1');
    await browser.sees('Piece 3 is rejected: insulation edge.');
    await expectAccessible(browser);
    await browser.press('What caused it?');
    await browser.sees('Next check:');
    await browser.sees('confirmed cases of this shop');
    await expectAccessible(browser);
    await browser.keys('1');
    await browser.sees('is confirmed once it was put right');
    await browser.keys('stop of the stripper set again', Key.ENTER);
    await browser.sees('confirmed by Odile');
  });

  it('refuses a file that is no picture with a sentence, and takes one that is', async () => {
    await openCombination(browser, ...CUT);
    await climbTo(browser, 'Look');
    await browser.sees('Photographs of piece');
    const broken = join(folder, 'broken.png');
    await writeFile(broken, 'not a picture');
    await browser.driver.findElement(By.css('tm-piece-photos tm-file-button input[type=file]')).sendKeys(broken);
    await browser.sees('This is no picture that can be read.');
    const photos = async () => (await browser.driver.findElements(By.css('tm-piece-photos a.photo img'))).length;
    const before = await photos();
    const whole = join(folder, 'whole.png');
    await writeFile(whole, Buffer.from(await browser.shot()));
    await browser.driver.findElement(By.css('tm-piece-photos tm-file-button input[type=file]')).sendKeys(whole);
    await browser.driver.wait(async () => (await photos()) === before + 1, 20_000, 'the photograph was not kept');
  });

  it('measures on a photograph by keys alone', async () => {
    // The one just added is the last.
    await browser.turnTo(
      await browser.driver.executeScript<string>(
        `return [...document.querySelectorAll('tm-piece-photos a')].at(-1).pathname`,
      ),
    );
    await browser.sees('Set the scale by a length you know.');
    await browser.driver.wait(
      async () =>
        browser.driver.executeScript(`return document.querySelector('.view image')?.getAttribute('width') === '1280'`),
      10_000,
    );
    const draw = async (steps: number) => {
      await browser.keys(' ', ...Array.from({ length: steps }, () => Key.ARROW_RIGHT), ' ');
    };
    await draw(20);
    await browser.sees('How long is that?');
    await browser.keys('2', Key.ENTER);
    await browser.sees('10.0 pixels are 1 mm.');
    await draw(15);
    await browser.sees('1.500 mm');
    await expectAccessible(browser);
    await browser.press('Keep the marks');
    await browser.sees('Kept by Odile.');
  });

  it('reads the section of a cut piece and judges it by the sheet', async () => {
    await openCombination(browser, ...CUT);
    await climbTo(browser, 'Look');
    await browser.press('Piece 2');
    await browser.sees('Photographs of piece 2');
    // Asked in the page: what was found may be drawn again before it is read.
    const address = await browser.driver.executeScript<string>(
      `return [...document.querySelectorAll('tm-piece-photos a')].find((a) => a.textContent.includes('section')).pathname`,
    );
    await browser.turnTo(address);
    await browser.sees('Pressed too little: 94.9 %');
    await browser.sees('32 in the wire');
    await expectAccessible(browser);
    await browser.press('Keep the section');
    await browser.sees('On record by Odile');
    await openCombination(browser, ...CUT);
    await climbTo(browser, 'Look');
    await browser.sees('Piece 2 is rejected: compression 94.9');
  });

  it('shows heights beside pulls, with the window where both hold', async () => {
    await openCombination(browser, 'FL-OC-2825', 'FL-W-0150', 'Sensor bar');
    const id = /bench\/([0-9a-f-]+)/.exec(await browser.driver.getCurrentUrl())?.[1] ?? '';
    await browser.turnTo(`/heights/${id}`);
    await browser.sees('Height and pull both hold from');
    await browser.sees('one step down');
    await expectAccessible(browser);
  });

  it('lets an inspector answer a study by keys alone and shows what a closed one found', async () => {
    await browser.turnTo('/shop/studies');
    await browser.sees('Do our inspectors agree?');
    await expectAccessible(browser);
    await browser.press('Look at the pieces');
    await browser.sees('Round 1: is this piece good?');
    await browser.sees('0 of 24 answered');
    await expectAccessible(browser);
    await browser.keys('1');
    await browser.sees('1 of 24 answered');
    await browser.keys('2');
    await browser.sees('At which point?');
    await browser.keys('1');
    await browser.sees('2 of 24 answered');
    await browser.turnTo('/shop/studies');
    await browser.press('Results');
    await browser.sees('bad pieces were called good');
    await browser.sees('Kappa with the key');
    await expectAccessible(browser);
  });

  it('lets quality draft and release what is looked at; what was released by the old sheet lapses', async () => {
    await signOut(browser);
    await takeSeat(browser, 'Ines');
    await browser.turnTo('/shop/inspection-points');
    await browser.sees('FL-LOOK-03 rev B (grade standard)');
    await browser.click(By.xpath("//li//button[contains(., 'rev B') and contains(., 'grade standard')]"));
    await expectAccessible(browser);
    await browser.press('Draft a new revision from it');
    await (await browser.field('Revision')).sendKeys('D');
    await expectAccessible(browser);
    await browser.press('Keep the draft');
    await browser.press('FL-LOOK-03 rev D');
    await browser.press('Release rev D');
    await browser.sees('is in effect for the same days');
    await browser.press('Release it in place of the one in effect');
    await browser.sees(
      'Pieces are looked at by FL-LOOK-03 rev B (grade critical) and FL-LOOK-03 rev D (grade standard).',
    );
    await browser.turnTo('/bench');
    await browser.sees('lapsed');
  });
});
