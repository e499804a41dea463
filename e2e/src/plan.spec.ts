import { By, Key } from 'selenium-webdriver';
import { expectAccessible } from './accessibility';
import { signOut, takeSeat } from './bench';
import { Browser, PATIENCE } from './browser';
import { Server } from './server';

/* A day by the plan: an engineer gives it out, a technician works by it, a tool fails and it is planned again. */

describe('The plan', () => {
  let server: Server;
  let browser: Browser;
  beforeAll(async () => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;
    server = await Server.open('demo');
    browser = await Browser.open(server.address);
  }, 120_000);
  afterAll(async () => {
    await browser.close();
    await server.close();
  });

  const said = async () => (await browser.driver.findElement(By.css('.weighed'))).getText();
  const jobs = () =>
    browser.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('tm-plan-board .job')].map((job) => job.dataset.job)`,
    );
  /** The order of the jobs at the bench of one of them, and where that one is in it. */
  const lineOf = (job: string) =>
    browser.driver.executeScript<{ bench: string; jobs: string[] }>(
      `const track = document.querySelector('[data-job="' + arguments[0] + '"]').closest('.track');
       return { bench: track.dataset.bench, jobs: [...track.querySelectorAll('.job')]
         .sort((a, b) => parseFloat(a.style.left) - parseFloat(b.style.left)).map((one) => one.dataset.job) };`,
      job,
    );
  /**
   * A bench with two jobs, of which the second needs no other first: its last one, and the one before. Late in a shift they are on
   * the board of another day: that one is shown then.
   */
  const lastTwo = async (): Promise<[string, string]> => {
    const days = await browser.driver.findElements(By.css('[aria-label="Day"] label'));
    for (const day of days.length ? days : [null]) {
      await day?.click();
      await browser.drawn();
      for (const job of await jobs()) {
        const line = await lineOf(job);
        const [before, last] = line.jobs.slice(-2);
        if (before !== undefined && last !== undefined && ![before, last].some((id) => /^(cut|insert)/.test(id)))
          return [before, last];
      }
    }
    throw new Error('no bench has two jobs on any day');
  };
  const planned = async () => {
    await browser.turnTo('/plan/board');
    await browser.sees('Not in this plan', 60_000);
  };

  it('is searched, asked and given out with the mouse', async () => {
    await takeSeat(browser, 'Marek');
    await browser.press('Plan');
    await browser.press('Stop here');
    await browser.sees('Search longer');
    await expectAccessible(browser);
    const headline = await browser.heading();
    expect(headline).toMatch(/done (at|on)/);
    expect(headline).toContain('instead of');
    await browser.sees('No order of this work can end before');
    // Six of the smallest contacts are left, and one lot is on hold.
    await browser.sees('cannot be made');
    await browser.sees('is on hold');
    const [before, last] = await lastTwo();
    await browser.click(By.css(`[data-job="${last}"]`));
    await browser.sees('Why here:');
    await browser.sees('What it takes');
    // Dragged before the job in front of it: what that comes to is said before it is let go.
    const [from, to] = [last, before].map((job) => browser.driver.findElement(By.css(`[data-job="${job}"]`)));
    if (!from || !to) throw new Error('two jobs');
    await browser.driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", from);
    const width = (await to.getRect()).width;
    await browser.driver
      .actions()
      .move({ origin: from })
      .press()
      .move({ origin: to, x: -Math.floor(width / 2) + 2, duration: 300 })
      .move({ origin: to, x: -Math.floor(width / 2) + 4, duration: 100 })
      .perform();
    await browser.driver.wait(async () => (await said()).length > 10, PATIENCE, 'what the move comes to was not said');
    await browser.driver.actions().release().perform();
    await browser.driver.wait(
      async () => /^Moved\.|waits for/.test(await said()),
      PATIENCE,
      `it says: ${await said()}`,
    );
    await browser.press('Give out this plan');
    await browser.fill('A word to go with it', 'Thursday');
    await browser.press('Give it out');
    await browser.sees('Plan 1 is given out', 40_000);
    await browser.sees('Plan 1 by Marek');
    // From now on it is set beside what the journal says.
    await browser.press('As it went');
    await browser.sees('Given out by Marek');
    await expectAccessible(browser);
  });

  it('is what a technician begins the morning with, by keys', async () => {
    await signOut(browser);
    await takeSeat(browser, 'Odile');
    // The bench says what is next by the plan, and Enter opens it.
    await browser.driver.wait(
      async () => /^(Next|Going on) at Bench/.test(await browser.heading()),
      30_000,
      'the bench does not know the plan',
    );
    await browser.turnTo('/plan/queue');
    await browser.sees('Mount and set');
    await browser.sees('check');
    await expectAccessible(browser);
    await browser.choose('my-bench', 'Bench 2');
    await browser.driver.wait(async () => (await browser.heading()).includes('Bench 2'), PATIENCE);
    await browser.turnTo('/bench');
    await browser.driver.wait(async () => (await browser.heading()).includes('at Bench 2'), 30_000);
    await browser.keys(Key.ENTER);
    await browser.driver.wait(
      async () => /\/bench\/[0-9a-f-]{36}/.test(await browser.driver.getCurrentUrl()),
      PATIENCE,
    );
    // Nobody but an engineer moves a job.
    await browser.turnTo('/plan/board');
    await browser.sees('given out by Marek', 40_000);
    expect(await browser.text()).not.toContain('Give out this plan');
  });

  it('takes what is cut off the reels, and counts what is left', async () => {
    await browser.turnTo('/plan/cut');
    await browser.sees('wires to cut', 40_000);
    await browser.press('Chassis loom is cut');
    await browser.sees('Chassis loom is cut: drawn from');
    await browser.turnTo('/plan/stock');
    await browser.sees('cut for Chassis loom');
    await browser.choose('part', 'FL-LG-1608');
    await browser.fill('Pieces', '40');
    await browser.press('Put on record');
    await browser.sees('On record: counted 40 of FL-LG-1608.');
  });

  it('is planned again by keys when a tool has failed: what moves is said, and the next revision counts', async () => {
    const failed = await browser.driver.executeAsyncScript<number>(
      `const done = arguments[0];
       fetch('/api/tool-checks', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({
         id: crypto.randomUUID(), tool: 'HT-18', die: 'V', goPassed: true, noGoStopped: false }) }).then((answer) => done(answer.status));`,
    );
    expect(failed).toBe(201);
    await signOut(browser);
    await takeSeat(browser, 'Marek');
    await planned();
    await browser.keys('s');
    await browser.sees('Searching');
    await browser.keys('s');
    await browser.sees('Search longer');
    // What HT-18 alone makes is left out, with the reason.
    await browser.sees('HT-18');
    await browser.sees('Moved against plan 1');
    await browser.sees('not in this plan any more');
    // A job in hand by keys: what a move comes to is said, and Escape leaves it where it was.
    const [, last] = await lastTwo();
    await browser.driver.executeScript(`document.querySelector('[data-job="' + arguments[0] + '"]').focus()`, last);
    const before = (await lineOf(last)).jobs;
    await browser.keys('m', Key.ARROW_LEFT);
    await browser.driver.wait(async () => (await said()).length > 10, PATIENCE);
    await browser.keys(Key.ESCAPE);
    await browser.drawn();
    expect((await lineOf(last)).jobs).toEqual(before);
    await browser.keys('m', Key.ARROW_LEFT, Key.ENTER);
    await browser.driver.wait(
      async () => /^Moved\.|waits for/.test(await said()),
      PATIENCE,
      `it says: ${await said()}`,
    );
    await browser.keys('w');
    await browser.choose('which', 'FI-05');
    await browser.press('Try it out');
    await browser.sees('FI-05 fails.', 30_000);
    await browser.press('Throw it away');
    await browser.keys('w');
    await browser.press('Give out this plan');
    await browser.press('Give it out');
    await browser.sees('Plan 2 is given out', 40_000);
  });
});
