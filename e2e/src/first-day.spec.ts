import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { expectAccessible } from './accessibility';
import { climbTo, lookByMouse, openShelf, pullByKeys, signOut, takeToolByMouse } from './bench';
import { Browser } from './browser';
import { Server } from './server';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 400_000;

/* A shop begins with nothing. Its parts are its own, made up here: neither part nor number is of the demo. */

const WIRE = {
  part: 'EY-W1',
  label: '0.75 mm2 PVC, 24 x 0.20',
  'conductor-size': '0.75 mm2',
  'conductor-strands': '24',
  'conductor-strandDiameter': '0.2',
  insulationDiameter: '2.2',
  insulation: 'PVC',
  temperature: '105',
};
const TERMINAL = {
  part: 'EY-R4',
  label: 'ring M4, bare, butted seam',
  maker: 'Elm Stampings',
  stamp: '1.25-4',
  'conductorRange-smallest': '0.5 mm2',
  'conductorRange-largest': '1 mm2',
  stud: 'M4',
  studHole: '4.3',
  'barrel-length': '5.8',
  'barrel-innerDiameter': '1.8',
  'barrel-outerDiameter': '3.4',
  'barrel-supportLength': '0',
  brushMax: '3',
  temperature: '105',
};
const TOOL = {
  part: 'EY-T1',
  label: 'Hand tool T1',
  checkHours: '12',
  'gauge-go': '2.05',
  'gauge-noGo': '2.15',
  cycles: '0',
  cycleLimit: '50000',
};
const NEST = {
  die: 'A',
  dieLabel: 'die A',
  id: '1',
  label: '1',
  'area-min': '0.45',
  'area-max': '1.1',
  width: '3',
  mark: 'the figure 1',
};
const STRIPPER = { part: 'EY-S1', label: 'Stripper S1', repeatability: '0.1', step: '0.1', insulations: 'PVC' };
/** As a shop may name it whose customers write otherwise. */
const LIST = 'Mast 電線ハーネス חוט';
const NOTCH = { label: '0.75', bore: '1.2' };

describe('The first day of a shop', () => {
  let server: Server;
  let browser: Browser;
  /** Words people come in with, by name. */
  const words = new Map<string, string>();
  beforeAll(async () => {
    server = await Server.open('empty');
    browser = await Browser.open(server.address);
  });
  afterAll(async () => {
    await browser.close();
    await server.close();
  });
  const type = async (id: string, text: string) => {
    const field = await browser.shown(By.id(id));
    await field.clear();
    await field.sendKeys(text);
  };
  const fillIn = async (prefix: string, cells: Readonly<Record<string, string>>) => {
    for (const [path, text] of Object.entries(cells)) await type(`${prefix}${path}`, text);
  };
  /** The next step as the list of the day names it. */
  const nextStep = async (title: string) => {
    const next = await browser.shown(By.xpath(`//tm-first-day//a[@aria-current='step' and .='${title}']`));
    await next.click();
  };
  const tick = async (where: string, words: string) =>
    browser.click(By.xpath(`//${where}//tm-tick[contains(., '${words}')]//label`));
  const day = async (id: string, text: string) => {
    const field = await browser.shown(By.id(id));
    await field.click();
    await field.sendKeys(text, Key.ENTER);
  };

  it('begins with its first engineer and says what comes before the first pull', async () => {
    await browser.go('/');
    await browser.fill('Name of the shop', 'Elm Yard');
    await browser.fill('Your name', 'Ada');
    await browser.fill('Password', 'aaaaaaaaaa');
    await browser.press('Open the shop');
    await browser.sees('easily guessed');
    await browser.fill('Password', 'ivory lathe mast 7');
    await browser.press('Open the shop');
    await browser.sees('Before the first pull');
    await browser.sees('Without: Pulls are recorded, not judged.');
    await expectAccessible(browser);
  });

  it('reads and keeps the usual house rules', async () => {
    await nextStep('House rules');
    await browser.press('Read and keep the usual ones');
    await browser.sees('Read each line');
    await expectAccessible(browser);
    await browser.press('Keep these house rules');
    await browser.sees('for every customer');
  });

  it('enters a wire, a terminal, a tool and a stripper, told of every field that is missing', async () => {
    await nextStep('A wire');
    await browser.press('New wire');
    await fillIn('f-', WIRE);
    await browser.sees('0.754 mm² of metal');
    await browser.press('Keep the new wire');
    await browser.sees('EY-W1 is kept');

    await nextStep('A terminal');
    await browser.press('New terminal');
    await browser.sees('What kind of terminal is it?');
    await expectAccessible(browser);
    await browser.press('bare terminal');
    await browser.press('Keep the new terminal');
    await browser.sees('fields are not right yet');
    await expectAccessible(browser);
    await fillIn('f-', TERMINAL);
    await browser.sees('On your EY-W1 (0.75 mm²)');
    await browser.press('Keep the new terminal');
    await browser.sees('EY-R4 is kept');

    await nextStep('A tool with its die');
    await browser.press('New tool');
    await browser.choose('f-kind', 'full cycle');
    await fillIn('f-', TOOL);
    await day('f-calibrationUntil', '2031-06-30');
    await fillIn('t-nests-0-', NEST);
    await browser.click(By.xpath("//tm-drawn-choice//label[contains(., 'rolled')]"));
    await browser.click(By.xpath("//tm-drawn-choice//label[contains(., 'indent and cradle')]"));
    await type('t-nests-0-terminals', `EY-R4${Key.ENTER}`);
    await browser.keys(Key.ESCAPE);
    await expectAccessible(browser);
    await browser.choose('t-nests-0-mounted', 'yes');
    await browser.press('Keep the new tool');
    await browser.sees('EY-T1 is kept');

    await nextStep('A stripper');
    await browser.press('New stripper');
    await fillIn('f-', STRIPPER);
    await fillIn('t-notches-0-', NOTCH);
    await browser.press('Keep the new stripper');
    await browser.sees('EY-S1 is kept');
  });

  it('copies a limit from a controlled document into the row of its own wire, and drafts what to look at', async () => {
    await nextStep('A limit table');
    await browser.press('New table');
    await browser.sees('No force is proposed here.');
    await type('draft-document', 'EY-QS-1');
    await type('draft-class', 'standard');
    await type('draft-owner', 'Ines');
    await browser.click(By.xpath("//tm-tick[contains(., 'controlled document')]//label"));
    await type('l-0-force', '85');
    await expectAccessible(browser);
    // A page that is loaded again in the middle loses nothing.
    await browser.go('/shop/limits');
    await browser.press('New table');
    await browser.sees('is back; it is not kept yet');
    await browser.press('Keep the draft');
    await browser.sees('EY-QS-1 rev A, grade standard');

    await openShelf(browser, 'Inspection points');
    await browser.press('Draft a sheet');
    await type('draft-document', 'EY-LK-1');
    await type('draft-class', 'standard');
    await type('draft-owner', 'Ines');
    await browser.press('Wire past the barrel');
    await browser.sees('A person may find');
    await browser.sees('As drawn');
    await expectAccessible(browser);
    await browser.keys(Key.ESCAPE);
    await browser.gone('.ant-drawer-open');
    await browser.press('Keep the draft');
    await browser.sees('EY-LK-1 rev A, grade standard');
  });

  it('gives its people words to come in with, and pastes its first wire list', async () => {
    await nextStep('People');
    for (const [name, role] of [
      ['Odile', 'technician'],
      ['Ines', 'quality'],
    ] as const) {
      await browser.fill('Name', name);
      if (role === 'quality') for (const each of ['technician', 'quality']) await tick('tm-new-account', each);
      await browser.press('Add the account');
      await browser.sees(`${name} comes in once with`);
      const told = await browser.driver.findElement(By.css('tm-people-page tm-notice')).getText();
      words.set(name, /[a-z0-9]{4}-[a-z0-9]{4}-[a-z0-9]{4}/.exec(told)?.[0] ?? '');
    }
    await browser.click(By.css('button[aria-label="Change roles and qualifications of Ines"]'));
    await browser.click(By.xpath("//tm-person-editor//label[contains(., 'family by family')]"));
    await expectAccessible(browser);
    await browser.press('Leave it as it was');
    await nextStep('A wire list');
    const path = join(await mkdtemp(join(tmpdir(), 'tug-mark-first-')), 'mast.csv');
    await writeFile(path, 'No;Wire;Cut;Left;Right;Qty\r\nM1;EY-W1;250;EY-R4;-;12\r\nM2;EY-W1;300;EY-R;EY-R4;12\r\n');
    await browser.shown(By.css('tm-import-list'));
    await browser.driver.findElement(By.css('tm-file-drop input[type=file]')).sendKeys(path);
    await browser.sees('What the columns say');
    await browser.choose('column-0', 'wire id');
    await browser.choose('column-2', 'length, mm');
    await browser.choose('column-4', 'terminal b');
    await browser.sees("The cabinet has no terminal 'EY-R'.");
    const cell = await browser.shown(By.css('tm-table-faults input'));
    await cell.sendKeys(Key.chord(Key.CONTROL, 'a'), 'EY-R4', Key.ENTER);
    await browser.sees('2 wires would become 1 combination with 36 pieces to make.');
    await expectAccessible(browser);
    await browser.fill('Name of the list', LIST);
    await browser.click(By.css('tm-import-list form button[type=submit]'));
    await browser.sees(`${LIST}: 2 wires became 1 combination`);
    // Its sheet is written with fonts of three scripts, by the server as it is shipped.
    const sheet = await browser.driver.executeAsyncScript<string>(
      `const done = arguments[arguments.length - 1];
       fetch('/api/sheets?paper=A4&list=' + encodeURIComponent(arguments[0]))
         .then((answer) => answer.arrayBuffer())
         .then((bytes) => done(new TextDecoder('latin1').decode(bytes)));`,
      LIST,
    );
    for (const font of ['NotoSansJP', 'NotoSansHebrew', 'AtkinsonHyperlegible']) expect(sheet).toContain(font);
  });

  const comeIn = async (name: string) => {
    await signOut(browser);
    await browser.sees('Who is at the bench?');
    await browser.fill('Name', name);
    await browser.fill('Password', words.get(name) ?? '');
    await browser.press('Sign in');
    await browser.sees('Choose your own password');
    await browser.fill('The word you came in with', words.get(name) ?? '');
    await browser.fill('The new one, 10 characters or more', `violet kiln ${name.length} oar mast`);
    await browser.press('Choose it and go on');
    await browser.sees(`${name} ·`);
  };

  it('is released by quality', async () => {
    await comeIn('Ines');
    await openShelf(browser, 'Limits');
    await browser.press('Release rev A, grade standard');
    await browser.sees('released by Ines');
    await openShelf(browser, 'Inspection points');
    await browser.press('Release rev A, grade standard');
    await browser.sees('released by Ines');
  });

  it('ends with a set-up whose pulls are judged by the shop’s own limit', async () => {
    await comeIn('Odile');
    await browser.go('/bench');
    await browser.click(By.css('tm-bench-table td.next a'));
    await climbTo(browser, 'Prepare');
    for (let piece = 1; piece <= 3; piece++) {
      await type('strip-typed', '8.4');
      await browser.press('Keep');
      await browser.driver.wait(
        async () =>
          (await browser.driver.findElements(By.css('section[aria-labelledby=measure-strip] .pass'))).length === piece,
        10_000,
      );
    }
    await climbTo(browser, 'Tool');
    await takeToolByMouse(browser);
    await browser.press('Go on to Crimp');
    for (let i = 0; i < 20 && !(await browser.text()).includes('Go on to Look'); i++) {
      const before = (await browser.driver.findElements(By.css('tm-crimp-stage li .pass'))).length;
      await browser.click(By.css('tm-gate-answer .ant-btn-primary'));
      await browser.driver.wait(
        async () => (await browser.driver.findElements(By.css('tm-crimp-stage li .pass'))).length > before,
        10_000,
      );
    }
    await browser.press('Go on to Look');
    await lookByMouse(browser);
    await browser.press('Go on to Tug');
    for (const force of ['116.2', '112.2', '121.3', '118.4', '119.9']) await pullByKeys(browser, force);
    await browser.sees('85.0');
    await climbTo(browser, 'Release');
    await browser.sees('First pieces');
    await expectAccessible(browser);
    await signOut(browser);
    await browser.fill('Name', 'Ines');
    await browser.fill('Password', 'violet kiln 4 oar mast');
    await browser.press('Sign in');
    await browser.sees('Ines ·');
    await browser.driver.navigate().refresh();
    // The cabinet names no sheet of either part: they are named with the release.
    await browser.press('Release the set-up');
    await browser.sees('No sheet is named for the terminal: number and revision of what it is made by.');
    for (const [id, text] of [
      ['sheet-terminal', 'EY-SH-4'],
      ['sheet-terminal-revision', 'A'],
      ['sheet-tool', 'EY-TC-1'],
      ['sheet-tool-revision', 'C'],
    ] as const) {
      await browser.click(By.id(id));
      await browser.keys(text);
    }
    await browser.press('Release the set-up');
    await browser.sees('Released by Ines.');
  });
});
