import { ForceGauge } from '@tug-mark/stand-ins/force-gauge';
import { By, Key } from 'selenium-webdriver';
import { expectAccessible } from './accessibility';
import { climbTo, openCombination, takeSeat } from './bench';
import { Browser, PATIENCE } from './browser';
import { Server } from './server';

/** The demo's lot in progress: 180 of 400 forks are made, the next check is due at piece 201. */
const FORKS = ['FL-FK-0406', 'FL-W-0100', 'Sensor bar'] as const;

jasmine.DEFAULT_TIMEOUT_INTERVAL = 240_000;

describe('A lot of 400 with the stand-in gauge', () => {
  let server: Server;
  let browser: Browser;
  let gauge: ForceGauge;
  let port = 0;
  const startGauge = async () => {
    gauge = new ForceGauge({ port, seed: 3, rate: 1000, model: {} });
    port = await gauge.listen();
  };
  beforeAll(async () => {
    server = await Server.open('demo');
    await startGauge();
    const marek = await server.as('Marek');
    const gauges = (await (await marek('GET', 'gauges')).json()) as { id: string }[];
    const first = gauges.find((g) => g.id === 'G-1');
    await marek('PUT', 'gauges', { ...first, port });
    browser = await Browser.open(server.address);
    await takeSeat(browser, 'Odile');
    await openCombination(browser, ...FORKS);
    await climbTo(browser, 'Lot');
  });
  afterAll(async () => {
    await browser.close();
    gauge.close();
    await server.close();
  });

  const count = async (made: string) => {
    await browser.keys('m');
    await browser.atFocus('tm-lot-side input');
    await browser.keys(made, Key.ENTER);
  };
  /** The act by which the gauge's next pull becomes the piece's. */
  const takeInHand = async () => {
    const isInHand = async () => (await browser.text()).includes('is in hand.');
    if (!(await isInHand())) await browser.keys('t');
    await browser.driver.wait(isInHand, PATIENCE, 'the piece was not taken in hand');
  };
  /** Waits until the pull under way has passed this force, N. */
  const pullPasses = async (newtons: number) => {
    const digits = await browser.shown(By.css('tm-force-strip .now span'));
    await browser.driver.wait(
      async () => Number(await digits.getText()) > newtons,
      PATIENCE,
      `the pull never passed ${newtons} N`,
    );
  };
  /** Looks at the piece and pulls it on the gauge, by keys alone but for the pull. */
  const checkOnGauge = async (piece: number, force: number) => {
    await browser.sees(`piece ${piece}`);
    await browser.keys('a');
    await browser.sees('every point as drawn');
    await takeInHand();
    gauge.startPull('slide', force, { speed: 400, slide: 2 });
    await browser.sees('the curve says so');
    await browser.keys(Key.ENTER);
    await browser.driver.wait(
      async () =>
        (
          await browser.driver.findElements(
            By.xpath(`//tm-lot-checks//tr[.//button[@aria-label='Piece ${piece}']][contains(., 'hold')]`),
          )
        ).length === 1,
      PATIENCE,
      `the pull of piece ${piece} was not kept`,
    );
  };

  it('shows the next check, counting down, and takes a pull with its curve and what it suggests', async () => {
    await browser.sees('Next check: piece 201, in 21 pieces');
    await expectAccessible(browser);
    // By keys alone, from here to the certificate.
    await browser.keys('g');
    await browser.atFocus('#station-gauge');
    for (const key of [Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ENTER]) {
      await browser.keys(key);
      await browser.drawn();
    }
    await browser.shown(By.css('tm-force-strip canvas'));
    await count('201');
    await browser.sees('Check piece 201 now');
    await checkOnGauge(201, 148);
    await browser.sees('Next check: piece 251');
    await expectAccessible(browser);
  });

  it('does not lose the pull in hand when the gauge is lost in the middle, nor when the page is loaded again', async () => {
    await count('251');
    await browser.sees('Check piece 251 now');
    await browser.keys('a');
    await browser.sees('every point as drawn');
    await takeInHand();
    gauge.startPull('slide', 146, { speed: 25, slide: 4 });
    await pullPasses(40);
    gauge.close();
    await browser.sees('The pull in hand stands at');
    await startGauge();
    await browser.shown(By.css('tm-force-strip canvas'));
    await browser.sees('The gauge was lost during the pull');
    await browser.press('Type it again');
    await browser.driver.executeScript(
      "const f = document.getElementById('force'); f.value = ''; f.dispatchEvent(new Event('input'));",
    );
    await takeInHand();
    gauge.startPull('slide', 146, { speed: 25, slide: 4 });
    await pullPasses(40);
    await browser.driver.navigate().refresh();
    // What the page did not hear while it was away, the gauge's own curve has.
    await browser.sees('the peak is from the gauge’s own curve');
    await browser.sees('the curve says so');
    const shown = await (await browser.shown(By.css('tm-pull-field .number'))).getText();
    expect(parseFloat(shown)).toBeGreaterThan(144);
    await browser.keys(Key.ENTER);
    await browser.sees('Next check: piece 301');
  });

  it('brackets a failure, piece by piece, so that few are destroyed', async () => {
    await count('301');
    await browser.sees('Check piece 301 now');
    await browser.keys('a');
    await browser.sees('every point as drawn');
    await takeInHand();
    gauge.startPull('slide', 70, { speed: 400, slide: 2 });
    await browser.sees('Does not hold');
    await browser.driver.wait(async () => (await browser.text()).includes('the curve says so'), PATIENCE);
    await browser.keys(Key.ENTER);
    await browser.sees('Pull piece 276');
    // It went wrong at piece 290.
    for (let pulls = 0; pulls < 6; pulls++) {
      const heading = await browser.heading();
      const piece = Number(/Pull piece (\d+)/.exec(heading)?.[1]);
      if (!piece) break;
      await checkOnGauge(piece, piece < 290 ? 147 : 68);
      await browser.driver.wait(async () => (await browser.heading()) !== heading, PATIENCE);
    }
    await browser.sees('good at piece 289, failed at piece 290');
    await browser.keys('h');
    await browser.atFocus('#change-what');
    await browser.keys(Key.TAB, Key.TAB, 'die half was loose, seated again', Key.ENTER);
    await browser.sees('1 more, then check piece 302.');
    await count('302');
    await checkOnGauge(302, 149);
    await browser.keys('d');
    await browser.sees('Decide about pieces 290 to 301');
    await expectAccessible(browser);
    await browser.atFocus('#disposition-note');
    await browser.keys('cut off and thrown away', Key.ENTER);
    await browser.driver.wait(async () => !(await browser.text()).includes('held back'), PATIENCE);
  });

  it('keeps pulling with the network cable out, and loses and doubles nothing when it is back', async () => {
    await count('352');
    await browser.sees('Check piece 352 now');
    await browser.driver.setNetworkConditions({
      offline: true,
      latency: 0,
      download_throughput: 0,
      upload_throughput: 0,
    });
    await browser.keys('a');
    await browser.sees('every point as drawn');
    for (const key of ['150.2', Key.ENTER]) await browser.keys(key);
    await browser.atFocus('#how');
    await browser.keys('1');
    await browser.shown(By.css('tm-pull-ask button.on'));
    await browser.keys(Key.ENTER);
    await browser.sees('Server silent · 2 kept here');
    await count('400');
    await browser.sees('Check piece 400 now');
    await browser.driver.deleteNetworkConditions();
    await browser.driver.wait(async () => !/Server silent|sending/.test(await browser.text()), PATIENCE);
    const odile = await server.as('Odile');
    // A list says itself when a line is behind its journal: on a machine with both hands full that takes a moment.
    const listed = async () => {
      const { lines } = (await (await odile('GET', 'combinations')).json()) as {
        lines: { id: string; terminal: string; list: string; behind: number; lot: { made: number } }[];
      };
      return lines.find((l) => l.terminal === FORKS[0] && l.list === FORKS[2]);
    };
    await browser.driver.wait(async () => (await listed())?.behind === 0, 90_000, 'the list did not catch up');
    const line = await listed();
    expect(line?.lot.made).toBe(400);
    const { entries } = (await (await odile('GET', `combinations/${line?.id}`)).json()) as {
      entries: { body: { kind: string; piece?: number; lot?: number } }[];
    };
    const kept = entries.filter((e) => e.body.lot === 1 && e.body.piece === 352).map((e) => e.body.kind);
    expect(kept).toEqual(['finding', 'reading']);
  });

  it('is finished, has its certificate, and every chain is whole', async () => {
    await checkOnGauge(400, 151);
    await browser.sees('Finish lot L-0407');
    await browser.keys('f');
    await browser.sees('Certificate as PDF');
    await browser.sees('against made-up limits. They release nothing for real use');
    await expectAccessible(browser);
    const href = (await (await browser.button('Certificate as PDF')).getAttribute('href')) ?? '';
    const odile = await server.as('Odile');
    const pdf = await odile('GET', href.replace(/^.*\/api\//, ''));
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect((await pdf.arrayBuffer()).byteLength).toBeGreaterThan(5000);
    await browser.turnTo('/records');
    await browser.press('Check every chain');
    await browser.sees('every chain is whole');
  });

  it('shows another station what was done within a second', async () => {
    const second = await Browser.open(server.address);
    try {
      await takeSeat(second, 'Ines');
      await openCombination(second, 'FL-OC-1508', 'FL-W-0100', 'Sensor bar');
      await climbTo(second, 'Lot');
      await second.sees('Piece 121 does not hold');
      await openCombination(browser, 'FL-OC-1508', 'FL-W-0100', 'Sensor bar');
      await climbTo(browser, 'Lot');
      await browser.sees('Pull piece 101.');
      await browser.keys('a');
      await browser.sees('every point as drawn');
      const started = Date.now();
      await second.sees('every point as drawn');
      expect(Date.now() - started).toBeLessThan(1500);
    } finally {
      await second.close();
    }
  });

  it('charts the wear and says when it meets the limit; curves lie over each other', async () => {
    await openCombination(browser, 'FL-RT-0406', 'FL-W-0100', 'Sensor bar');
    await climbTo(browser, 'Lot');
    await browser.press('Chart');
    await browser.sees('Meets the limit after about');
    await browser.shown(By.css('tm-chart-canvas canvas'));
    await expectAccessible(browser);
    await openCombination(browser, 'FL-RT-0406', 'FL-W-0100', 'Sensor bar');
    await climbTo(browser, 'Lot');
    await browser.press('Curves of this lot');
    await browser.sees('36 curves;');
    await expectAccessible(browser);
  });
});
