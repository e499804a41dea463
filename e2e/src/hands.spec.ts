import { By, Key } from 'selenium-webdriver';
import { expectAccessible } from './accessibility';
import {
  climbTo,
  makeFirstPieces,
  openCombination,
  signOut,
  takeSeat,
  takeToolByKeys,
  takeToolByMouse,
  type Way,
} from './bench';
import { Browser } from './browser';
import { Server } from './server';

/* What the hands do, for the demo's strict customer, whose house rules ask for every step: by the mouse and by keys alone. */

/** Each job once by keys or by the mouse; npm run proofs does it the other way round too. */
const TURNS = process.env['TUG_WHOLE'] === '1' ? ([false, true] as const) : ([false] as const);
const ROWS = `wire id,wire part,length mm,terminal a,terminal b,quantity,place,joint a,connector a,connector part a,cavity a
H1,FL-W-0100,300,FL-WS-10,-,4,wet,J1/1,,,
H2,FL-W-0075,310,FL-WS-10,-,4,wet,J1/2,,,
H3,FL-W-0034,320,FL-RB-0406,-,4,dry,,,,
H4,FL-W-2500,900,FL-LG-2508,-,4,dry,,,,
H5,FL-W-A20,420,FL-MC-16S,-,4,dry,,X1,FL-CN-06,B
H6,FL-W-0100,330,FL-OC-4810,-,4,dry,,,,`;

TURNS.forEach((isSwapped) =>
  describe(`What the hands do${isSwapped ? ', the other way round' : ''}`, () => {
    const LIST = 'Hands';
    const by = (way: Way): Way => (isSwapped ? (way === 'keys' ? 'mouse' : 'keys') : way);
    let server: Server;
    let browser: Browser;
    let list: string;
    beforeAll(async () => {
      jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;
      server = await Server.open('demo');
      browser = await Browser.open(server.address);
      await takeSeat(browser, 'Marek');
      list = await browser.driver.executeAsyncScript<string>(
        `const [rows, name, done] = arguments;
       const id = crypto.randomUUID();
       fetch('/api/wire-lists?id=' + id + '&name=' + name + '&customer=' + encodeURIComponent('Charging dock'), {
         method: 'POST', headers: { 'content-type': 'text/csv' }, body: rows,
       }).then(async (answer) => done(answer.ok ? id : 'refused: ' + (await answer.text())));`,
        ROWS,
        LIST,
      );
      expect(list).not.toContain('refused');
      await signOut(browser);
      await takeSeat(browser, 'Odile');
    }, 120_000);
    afterAll(async () => {
      await browser.close();
      await server.close();
    });

    /** From the bench to the first step of Crimp. */
    const toCrimp = async (terminal: string, wire: string, way: Way) => {
      await openCombination(browser, terminal, wire, LIST);
      await browser.sees('Wire and terminal fit.');
      if (way === 'keys') {
        await browser.keys(Key.ENTER);
        await browser.sees('Go on to Tool');
        await browser.keys(Key.ENTER);
        await takeToolByKeys(browser);
        await browser.keys(Key.ENTER);
      } else {
        await browser.press('Go on to Prepare');
        await browser.press('Go on to Tool');
        await takeToolByMouse(browser);
        await browser.press('Go on to Crimp');
      }
    };

    it('join two wires of two sizes in a sealed splice, end by end: looked at, then covered and shrunk', async () => {
      await toCrimp('FL-WS-10', 'FL-W-0075', by('keys'));
      const heads = await makeFirstPieces(browser, by('keys'), ['7.7', '7.7']);
      const at = (words: string) => heads.findIndex((head) => head.includes(words));
      expect(at('Slide on first')).toBe(heads.findIndex((head) => head.includes('Slide on')));
      // End 1 whole before end 2; the sleeve still there; the joint looked at before it is covered, and heat at the end.
      expect(at('End 2. Still on the wire')).toBeGreaterThan(at('A light tug by hand.'));
      expect(at('The splice is straight')).toBeGreaterThan(at('End 2. Still on the wire'));
      expect(at('Move the sleeve over the joint')).toBeGreaterThan(at('The splice is straight'));
      expect(at('Let it cool')).toBe(heads.length - 1);
      await expectAccessible(browser);
    });

    it('fold a wire too fine for its ring back to twice its metal', async () => {
      await toCrimp('FL-RB-0406', 'FL-W-0034', by('mouse'));
      await browser.shown(By.css('tm-crimp-stage ol'));
      await makeFirstPieces(browser, by('mouse'), [await stripOf()]);
      await climbTo(browser, 'Match');
      await browser.sees('folded back');
    });

    it('press a lug in two bites, each a step of its own, and ask across which faces it is measured', async () => {
      await toCrimp('FL-LG-2508', 'FL-W-2500', by('keys'));
      const heads = await makeFirstPieces(browser, by('keys'), [await stripOf()]);
      expect(heads.filter((head) => /Bite \d of 2/.test(head)).length).toBe(2);
      await browser.keys(Key.ENTER);
      await browser.sees('Across flats 1 and 4');
    });

    it('set a locator by trial, make a turned contact, and fill its cavity', async () => {
      await toCrimp('FL-MC-16S', 'FL-W-A20', by('mouse'));
      const heads = await makeFirstPieces(browser, by('mouse'), [await stripOf()]);
      expect(heads.some((head) => head.includes('by trial crimps'))).toBeTrue();
      await browser.go(`/looms/${list}/connectors`);
      await browser.sees('X1: cavity B comes next; 0 of 1 are home.');
      await expectAccessible(browser);
      await browser.click(By.id('cavity-push'));
      await browser.keys('61', Key.ENTER);
      await browser.sees('X1 of loom 1 is filled.');
      await browser.press('Take it out again');
      await browser.sees('Released from the rear with removal tool RT-16');
      await browser.press('It is out');
      await browser.sees('it may go in again');
      await browser.click(By.id('cavity-push'));
      await browser.keys('60', Key.ENTER);
      await browser.sees('Taken out once so far; its sheet allows 3.');
    });

    it('form a bullet nest after nest, and put a pair together and apart over ten cycles', async () => {
      await toCrimp('FL-OC-4810', 'FL-W-0100', by('keys'));
      const heads = await makeFirstPieces(browser, by('keys'), [await stripOf()]);
      expect(heads.filter((head) => head.includes('Stroke ')).length).toBe(3);
      const path = new URL(await browser.driver.getCurrentUrl()).pathname;
      await browser.go(path.replace(/\/[a-z]+$/, '/mating'));
      for (const [cycle, off] of [
        ['1', '21'],
        ['2', '20'],
        ['5', '19'],
        ['10', '18'],
      ] as const) {
        await browser.sees(`Pair 1, cycle ${cycle}: `);
        await browser.click(By.id('mating-on'));
        await browser.keys('40', Key.TAB, off, Key.ENTER);
      }
      await browser.sees('Pair 1 passes over 10 cycles.');
      await expectAccessible(browser);
      await browser.keys('a');
      await browser.sees('Pair 2, cycle 1: on, and off by the gauge.');
    });

    /** The middle of what Prepare asks for, as it stands in the first step. */
    const stripOf = async () => {
      const text = await browser.text();
      const [, strip = ''] = /Strip (\d+(?:\.\d+)?) mm/.exec(text) ?? [];
      return strip;
    };
  }),
);
