import { By, Key } from 'selenium-webdriver';
import { lookByKeys, measureByKeys, pullByKeys, takeToolByKeys } from './bench';
import { Browser } from './browser';
import { Keyboard } from './keyboard';
import { Server } from './server';

/* As a sheet of the made-up maker Elm Yard would give them. */
const WIRE = {
  part: 'EY-W2',
  label: '1.0 mm2 PVC',
  'conductor-size': '1 mm2',
  'conductor-strands': '32',
  'conductor-strandDiameter': '0.20',
  insulationDiameter: '2.3',
  insulation: 'PVC',
  temperature: '105',
};
const TERMINAL = {
  part: 'EY-R5',
  label: 'ring M5',
  maker: 'Elm Yard',
  'conductorRange-smallest': '0.5 mm2',
  'conductorRange-largest': '1.5 mm2',
  'barrel-length': '6',
  'barrel-innerDiameter': '2.1',
  'barrel-outerDiameter': '3.7',
  brushMax: '4',
  stud: 'M5',
  studHole: '5.3',
  temperature: '150',
};
const TOOL = { part: 'EY-T2', label: 'Hand tool T2' };
const CHECKS = { checkHours: '12', 'gauge-go': '2.25', 'gauge-noGo': '2.35' };
const DIE = { die: 'A', dieLabel: 'die A' };
const NEST = { id: '1', label: '1' };
const BITE = { 'area-min': '0.45', 'area-max': '1.6', width: '3', mark: 'the figure 1' };
const STRIPPER = { part: 'EY-S2', label: 'Stripper S2', repeatability: '0.1', step: '0.1', insulations: 'PVC' };

describe('The first day of a shop of one, by keys alone', () => {
  let server: Server;
  let browser: Browser;
  let hands: Keyboard;
  beforeAll(async () => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 240_000;
    server = await Server.open('empty');
    browser = await Browser.open(server.address);
    hands = new Keyboard(browser);
  }, 120_000);
  afterAll(async () => {
    await browser.close();
    await server.close();
  });
  const fillIn = async (prefix: string, cells: Readonly<Record<string, string>>) => {
    for (const [path, text] of Object.entries(cells)) await hands.type(`${prefix}${path}`, text);
  };
  const nextStep = async (title: string) => {
    await browser.shown(By.xpath(`//tm-first-day//a[@aria-current='step' and .='${title}']`));
    await hands.reach("el.getAttribute('aria-current') === 'step'", `the next step, ${title}`);
    await browser.keys(Key.ENTER);
  };

  it('is opened by one person who does everything', async () => {
    await browser.go('/');
    await browser.shown(By.id('shop'));
    await hands.type('shop', 'Elm Yard');
    await hands.type('name', 'Ada');
    await hands.type('password', 'ivory lathe mast 7');
    await hands.tick('technician and quality too');
    await hands.press('Open the shop');
    await browser.sees('Before the first pull');
    await browser.sees('Ada · engineer, technician, quality');
  });

  it('has its rules read, and its parts typed in from their sheets', async () => {
    await nextStep('House rules');
    await hands.press('Read and keep the usual ones');
    await hands.press('Keep these house rules');
    await browser.sees('for every customer');

    await nextStep('A wire');
    await hands.press('New wire');
    await fillIn('f-', WIRE);
    await hands.press('Keep the new wire');
    await browser.sees('EY-W2 is kept');

    await nextStep('A terminal');
    await hands.press('New terminal');
    await hands.press('bare terminal');
    await fillIn('f-', TERMINAL);
    await browser.sees('On your EY-W2 (1 mm²)');
    // From the drawing to the field, by keys too.
    await hands.reach("el.getAttribute('aria-label')?.startsWith('outer 3.7 mm')", 'the outer diameter on the drawing');
    await browser.keys(Key.ENTER);
    await hands.field('f-barrel-outerDiameter');
    await hands.press('Keep the new terminal');
    await browser.sees('EY-R5 is kept');

    await nextStep('A tool with its die');
    await hands.press('New tool');
    // In the order of the form: going back is a way around the whole page.
    await fillIn('f-', TOOL);
    await hands.choose('f-kind', 'full cycle');
    await fillIn('f-', CHECKS);
    await hands.day('f-calibrationUntil', '2031-06-30');
    await fillIn('f-', { cycles: '0', cycleLimit: '50000' });
    await fillIn('t-nests-0-', DIE);
    await hands.choose('t-nests-0-mounted', 'yes');
    await fillIn('t-nests-0-', NEST);
    await hands.arrowTo('#t-nests-0-profile', 'indent and cradle');
    await fillIn('t-nests-0-', BITE);
    await hands.type('t-nests-0-terminals', 'EY-R5');
    await browser.keys(Key.ENTER, Key.ESCAPE);
    await hands.press('Keep the new tool');
    await browser.sees('EY-T2 is kept');

    await nextStep('A stripper');
    await hands.press('New stripper');
    await fillIn('f-', STRIPPER);
    await fillIn('t-notches-0-', { label: '1.0', bore: '1.4' });
    await hands.press('Keep the new stripper');
    await browser.sees('EY-S2 is kept');
  });

  it('has its limit and its points drafted and released by the same hands', async () => {
    await nextStep('A limit table');
    await hands.press('New table');
    await fillIn('draft-', { document: 'EY-QS-2', class: 'standard', owner: 'Ada' });
    await hands.tick('controlled document');
    await hands.type('l-0-force', '108');
    await hands.press('Keep the draft');
    await browser.sees('EY-QS-2 rev A, grade standard');
    await hands.press('Release rev A, grade standard');
    await browser.sees('released by Ada');

    await nextStep('Inspection points');
    await hands.press('Draft a sheet');
    await fillIn('draft-', { document: 'EY-LK-2', class: 'standard', owner: 'Ada' });
    await hands.press('Keep the draft');
    await browser.sees('EY-LK-2 rev A, grade standard');
    await hands.press('Release rev A, grade standard');
    await browser.sees('released by Ada');
  });

  it('has its first list typed in', async () => {
    await nextStep('A wire list');
    await browser.shown(By.css('tm-import-list'));
    await hands.reach("el.tagName === 'TEXTAREA'", 'the place for a pasted list');
    await browser.keys('wire id;wire;length mm;terminal a;terminal b;quantity', Key.ENTER, 'K1;EY-W2;250;EY-R5;-;12');
    await hands.type('list-name', 'Mast');
    await browser.sees('1 wire would become 1 combination with 12 pieces to make.');
    await hands.press('Bring it in');
    await browser.sees('Mast: 1 wire became 1 combination');
  });

  it('ends with a released set-up, pulled and released by one person in two roles, which the record tells', async () => {
    await browser.go('/bench');
    await browser.sees('Next: begin with EY-T2');
    await browser.keys(Key.ENTER);
    await browser.sees('Go on to Prepare');
    await browser.keys(Key.ENTER);
    await browser.sees('Go on to Tool');
    const strip = /(\d+(?:\.\d+)?) mm/.exec(await browser.heading())?.[1];
    if (!strip) throw new Error(`no strip length in '${await browser.heading()}'`);
    await measureByKeys(browser, strip);
    await browser.keys(Key.ENTER);
    await takeToolByKeys(browser);
    await browser.keys(Key.ENTER);
    const steps = async () => (await browser.driver.findElements(By.css('tm-crimp-stage ol li'))).length;
    const passed = async () => (await browser.driver.findElements(By.css('tm-crimp-stage ol li .pass'))).length;
    await browser.shown(By.css('tm-crimp-stage ol'));
    for (let i = 0, all = await steps(); i < all; i++) {
      await browser.keys(Key.ENTER);
      await browser.driver.wait(async () => (await passed()) === i + 1, 10_000, `step ${i + 1} was not confirmed`);
    }
    await browser.sees('sample pieces just like this');
    await browser.keys(Key.ENTER);
    await lookByKeys(browser);
    await browser.keys(Key.ENTER);
    for (const force of ['141.2', '142.2', '139.3', '140.4', '140.9']) await pullByKeys(browser, force);
    await browser.sees('108.0');
    await hands.reach("el.closest('tm-ladder') && el.textContent.includes('Release')", 'the last rung of the ladder');
    await browser.keys(Key.ENTER);
    await browser.sees('First pieces');
    await hands.type('sheet-terminal', 'EY-SH-5');
    await hands.type('sheet-terminal-revision', 'A');
    await hands.type('sheet-tool', 'EY-TC-2');
    await hands.type('sheet-tool-revision', 'B');
    await hands.press('Release the set-up');
    await browser.sees('Released by Ada.');
    const [, id = ''] = /bench\/([0-9a-f-]{36})/.exec(await browser.driver.getCurrentUrl()) ?? [];
    await browser.go(`/records/${id}`);
    await browser.sees('Ada, technician');
    await browser.sees('Ada, quality');
  });
});
