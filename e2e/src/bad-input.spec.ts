import { By, Key } from 'selenium-webdriver';
import { climbTo, lookedAt, openCombination, pullByKeys, setUpByKeys, takeSeat } from './bench';
import { Browser } from './browser';
import { Server } from './server';

describe('At the pull test, with what really gets typed', () => {
  let server: Server;
  let browser: Browser;
  beforeAll(async () => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
    server = await Server.open('demo');
    browser = await Browser.open(server.address);
    await takeSeat(browser, 'Odile');
    await openCombination(browser, 'FL-RT-0406', 'FL-W-0100', 'Chassis loom');
    await setUpByKeys(browser, 6, '7.7');
    await lookedAt(browser, 9);
    await climbTo(browser, 'Tug');
  }, 120_000);
  afterAll(async () => {
    await browser.close();
    await server.close();
  });
  const forces = async () =>
    Promise.all((await browser.driver.findElements(By.css('td.force'))).map((cell) => cell.getText()));
  const clear = async () => (await browser.shown(By.id('force'))).clear();
  const type = async (text: string) => {
    await clear();
    await (await browser.shown(By.id('force'))).sendKeys(text, Key.ENTER);
  };

  it('answers nonsense with a sentence and leaves it standing to be mended', async () => {
    for (const [text, sentence] of [
      ['', 'Nothing is entered yet.'],
      ['-5', '-5 N is negative.'],
      ['NaN', "'NaN' is not a number."],
      ['1e9', 'Read the gauge again.'],
      ['12,500', 'may be 12.500 or 12500'],
      ['5 kN', "'kN' is no unit of force here."],
    ] as const) {
      await type(text);
      await browser.sees(sentence);
      expect(await (await browser.shown(By.id('force'))).getAttribute('value')).toBe(text);
    }
    expect(await forces()).toEqual([]);
  });

  it('asks about another unit and about more than the wire can bear', async () => {
    await type('30 lbf');
    await browser.sees('30 lbf is 133.4 N, but this field is set to N.');
    await browser.keys(Key.ESCAPE);
    await type('400');
    await browser.sees('400.0 N is more than this wire can bear');
    await browser.keys(Key.ESCAPE);
    await clear();
    expect(await forces()).toEqual([]);
  });

  it('keeps one reading of a double Enter', async () => {
    await (await browser.shown(By.id('force'))).sendKeys('131.5', Key.ENTER);
    await browser.keys(Key.ENTER, Key.ENTER);
    await browser.sees('Say first how it failed');
    await browser.drawn();
    await browser.keys('1');
    await browser.shown(By.css('tm-pull-ask button.on'));
    await browser.keys(Key.ENTER);
    await browser.keys(Key.ENTER);
    await browser.sees('Nothing is entered yet.');
    expect(await forces()).toEqual(['131.5']);
  });

  it('takes a pasted column one at a time, and a gauge that types while the mode is asked', async () => {
    await browser.driver.executeScript(`
      const data = new DataTransfer();
      data.setData('text', '128.1\\r\\n133.3\\r\\n');
      document.getElementById('force').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`);
    await browser.sees('How did it fail?');
    await browser.sees('1 more pasted value waits: 133.3');
    await browser.driver.executeScript(`
      for (const key of ['1', '2', '9', '.', '9', 'Enter']) document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));`);
    // What a gauge types meanwhile is nobody's until somebody says whose.
    await browser.sees('1 pull waits: for which piece?');
    for (let i = 0; i < 3; i++) {
      await browser.drawn();
      if (i === 2) await browser.press('It was piece 4');
      await browser.keys('1');
      await browser.shown(By.css('tm-pull-ask button.on'));
      await browser.keys(Key.ENTER);
      await browser.driver.wait(async () => (await forces()).length === i + 2, 10_000);
    }
    // The newest stands first.
    expect(await forces()).toEqual(['129.9', '133.3', '128.1', '131.5']);
  });

  it('asks about a unit slip against the readings before', async () => {
    await type('30');
    await browser.sees('30.0 N is far below the others. 30 lbf would be 133.4 N.');
    await browser.keys(Key.ESCAPE);
    await clear();
  });

  it('corrects a reading by a new entry with its reason', async () => {
    await browser.press('put right');
    await browser.sees('Correct piece 4');
    await (await browser.shown(By.id('force'))).sendKeys('130.5', Key.ENTER);
    await browser.sees('What was wrong with the first entry?');
    await browser.atFocus('#how');
    await browser.keys('1');
    await browser.shown(By.css('tm-pull-ask button.on'));
    await browser.keys(Key.ENTER);
    await browser.sees('A correction needs its reason');
    await browser.fill('What was wrong', 'read before it was zeroed');
    await browser.press('Keep reading');
    await browser.sees('corrected: read before it was zeroed');
    expect((await forces())[0]).toBe('130.5');
  });

  it('keeps a reading when the session ends in the middle, and sends it after signing in again in place', async () => {
    await server.sql('DELETE FROM sessions');
    await pullByKeys(browser, '132.7');
    await browser.sees('Your session has ended.');
    await browser.sees('1 entry is kept on this device.');
    expect(await forces()).toContain('132.7');
    await browser.fill('Password', 'demo-odile-bench');
    await browser.press('Sign in');
    await browser.driver.wait(async () => !/session has ended|sending/.test(await browser.text()), 20_000);
    await browser.driver.navigate().refresh();
    await browser.sees('132.7');
    expect((await forces()).filter((force) => force === '132.7').length).toBe(1);
  });

  it('shows a second tab what stands when both read the same piece', async () => {
    const second = await Browser.open(server.address);
    try {
      // Its stream of news is cut: it cannot know what the other one does.
      await second.block('*/api/live*');
      await takeSeat(second, 'Odile');
      await openCombination(second, 'FL-RT-0406', 'FL-W-0100', 'Chassis loom');
      await climbTo(second, 'Tug');
      await second.sees('132.7');
      await pullByKeys(browser, '134.1');
      await browser.driver.wait(async () => !(await browser.text()).includes('sending'), 20_000);
      await pullByKeys(second, '127.7');
      await second.sees('Not on record: Piece 6 has a reading already: 134.1 N, by Odile.');
      await second.sees('134.1');
      await second.sees('Yours: Piece 6 pulled: 127.7 N');
      await second.press('Keep mine as piece 7');
      await second.driver.wait(async () => !/Not on record|sending/.test(await second.text()), 10_000);
    } finally {
      await second.close();
    }
  });

  it('sends a low pull called not valid to quality, who rules on it', async () => {
    await browser.driver.navigate().refresh();
    await browser.sees('127.7');
    await (await browser.shown(By.id('force'))).sendKeys('60', Key.ENTER);
    await browser.atFocus('#how');
    await browser.keys('6');
    await browser.sees('Low and called not valid, 48.0 N below the limit: quality decides whether it counts.');
    await browser.fill('What happened?', 'jaw opened');
    await browser.press('Keep reading');
    await browser.sees('to quality');
    await browser.sees('quality has to rule on it');
    const ines = await Browser.open(server.address);
    try {
      await takeSeat(ines, 'Ines');
      await openCombination(ines, 'FL-RT-0406', 'FL-W-0100', 'Chassis loom');
      await climbTo(ines, 'Tug');
      await ines.press('It was no test');
      await ines.sees('A ruling needs its reason.');
      await ines.fill('Quality rules on piece 8', 'jaw marks on the wire');
      await ines.press('It was no test');
      await ines.sees('quality: invalid');
    } finally {
      await ines.close();
    }
  });
});
