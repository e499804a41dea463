import { By, Key } from 'selenium-webdriver';
import { accessibilityFaults, expectAccessible } from './accessibility';
import { climbTo, openCombination, openShelf, takeSeat, turnScreen } from './bench';
import { Browser } from './browser';
import { Server } from './server';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 400_000;

/** 1280 by 1024 pixels looked at four times as large, which is what low sight asks of a page. */
const FOUR_TIMES = [320, 256] as const;
const PHONE = [390, 800] as const;
/** A ring that fades in is not there yet when it is looked for. */
const STILL = { name: 'prefers-reduced-motion', value: 'reduce' };
/** What axe asks of colours alone. */
const COLOURS = ['color-contrast', 'link-in-text-block'];
/** Stops of the Tab key looked at on each view. */
const STOPS = 12;

describe('Every room', () => {
  let server: Server;
  let browser: Browser;
  const views: { readonly name: string; readonly path: string; readonly sees: string }[] = [];
  beforeAll(async () => {
    server = await Server.open('demo');
    browser = await Browser.open(server.address);
    await takeSeat(browser, 'Ines');
    const at = async (name: string, sees: string) => {
      await browser.sees(sees);
      const { pathname, search } = new URL(await browser.driver.getCurrentUrl());
      views.push({ name, path: pathname + search, sees });
    };
    await openCombination(browser, 'FL-RB-0406', 'FL-W-0075', 'Chassis loom');
    for (const [stage, sees] of [
      ['Match', 'what the wire is'],
      ['Prepare', 'set point'],
      ['Tool', 'mark'],
      ['Crimp', 'cradle'],
      ['Look', 'Photographs of piece'],
      ['Tug', 'Piece'],
      ['Release', 'First pieces'],
    ] as const) {
      await climbTo(browser, stage);
      await at(stage, sees);
    }
    await browser.press('Record');
    await at('Record', 'Journal,');
    await openCombination(browser, 'FL-OC-1508', 'FL-W-0100', 'Sensor bar');
    await at('Lot', 'Pull piece 101');
    await browser.press('Set-up sheet');
    await at('Set-up sheet', 'SVG');
    for (const [shelf, sees] of [
      ['Cabinet', 'terminals'],
      ['Finder', 'made up with'],
      ['Tools and checks', 'shift'],
      ['Gauges and calipers', 'calibrated to'],
      ['Limits', 'FL-SPEC-07'],
      ['Inspection points', 'FL-LOOK-03'],
      ['House rules', 'Strand lay'],
      ['Studies of looking', 'inspectors agree'],
      ['What the words mean', 'lower bound'],
    ] as const) {
      await openShelf(browser, shelf);
      await at(shelf, sees);
    }
    await browser.press('Plan');
    for (const [sheet, sees] of [
      ['Board', 'By due date alone'],
      ['At each bench', 'What comes next'],
      ['As it went', 'nothing to set beside it'],
      ['To cut and pick', 'wires to cut'],
      ['Stock', 'reel 2231'],
      ['What testing costs', 'Destroyed with samples'],
      ['Benches and hours', 'Hours of every week'],
    ] as const) {
      await browser.click(By.xpath(`//tm-plan-room/nav//a[normalize-space(.)='${sheet}']`));
      await at(sheet, sees);
    }
    for (const [room, sees] of [
      ['Bench', 'Sensor bar'],
      ['Lots', 'L-0402'],
      ['Charts', 'readings'],
      ['Records', 'Nothing in a record'],
    ] as const) {
      await browser.click(By.xpath(`//header//a[.='${room}']`));
      await at(room, sees);
    }
    await browser.turnTo('/bench');
    await browser.press('Mast loom');
    await browser.press('Both ends of its wires');
    await at('Both ends', 'In this order');
    await browser.turnTo('/bench');
    await browser.press('Mast loom');
    await browser.press('Its connectors, cavity by cavity');
    await at('Connectors', 'comes next');
    await openCombination(browser, 'FL-OC-4810', 'FL-W-0100', 'Mast loom');
    await browser.go(new URL(await browser.driver.getCurrentUrl()).pathname.replace(/\/[a-z]+$/, '/mating'));
    await at('Mating', 'cycle 1');
  });
  afterAll(async () => {
    await browser.close();
    await server.close();
  });

  it('is read by whoever does not see it, light and dark; fits a phone and a screen four times as large; shows where its keys and buttons are', async () => {
    // Each room is opened once, and all that is asked of it asked there: opening is what takes the time.
    const faults: string[] = [];
    for (const { name, path, sees } of views) {
      await browser.go(path);
      await browser.sees(sees);
      const found = [
        ...(await accessibilityFaults(browser)),
        ...(await faultsInDark()),
        ...(await lostStops()),
        ...(await bareButtons()),
        ...(await pushedSideways()),
      ];
      faults.push(...found.map((fault) => `${name}: ${fault}`));
    }
    expect([...new Set(faults)]).toEqual([]);
  });

  it('is read with its menu and its keys open too, and turned dark by hand', async () => {
    await browser.click(By.css('tm-person-menu button'));
    await browser.sees('Sign out');
    await expectAccessible(browser);
    await browser.keys(Key.ESCAPE);
    await browser.keys('?');
    await browser.sees('Keys of this screen');
    await expectAccessible(browser);
    await browser.keys('?');
    await browser.gone('.ant-drawer');
    await turnScreen(browser, 'Dark screen');
    await expectAccessible(browser);
    await turnScreen(browser, 'Light screen');
  });

  /** What the system wishes: a screen that was not set by hand follows it at once. */
  const asked = (...features: { readonly name: string; readonly value: string }[]) =>
    browser.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', { features: [...features, STILL] });

  /** Only what colours decide: all else is the same page. */
  const faultsInDark = async () => {
    await asked({ name: 'prefers-color-scheme', value: 'dark' });
    await browser.drawn();
    const isDark = await browser.driver.executeScript<boolean>(
      `return document.documentElement.dataset.look === 'dark'`,
    );
    const found = isDark ? await accessibilityFaults(browser, COLOURS) : ['the screen stays light'];
    await asked({ name: 'prefers-color-scheme', value: 'light' });
    return found.map((fault) => `dark: ${fault}`);
  };

  const pushedSideways = async () => {
    const wide: string[] = [];
    for (const [width, height] of [PHONE, FOUR_TIMES]) {
      await browser.size(width, height);
      await browser.drawn();
      const over = await browser.driver.executeScript<number>(
        'return document.scrollingElement.scrollWidth - document.documentElement.clientWidth',
      );
      if (over > 0) wide.push(`${over} px too wide at ${width}`);
    }
    await browser.size(1280, 800);
    return wide;
  };

  /** Stops of the Tab key that show no ring: each is looked at a frame later, with whatever it comes with at its end. */
  const lostStops = async () => {
    await browser.driver.executeScript(
      `document.activeElement?.blur();
       window.scrollTo(0, 0);
       window.stops = { lost: [], seen: 0 };
       const shows = (e) => {
         const s = getComputedStyle(e);
         return (s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) >= 2) || s.boxShadow !== 'none';
       };
       document.addEventListener('focusin', ({ target: at }) =>
         requestAnimationFrame(() => {
           if (document.activeElement !== at) return;
           for (const each of document.getAnimations()) if (each.effect.getComputedTiming().endTime < Infinity) each.finish();
           const rings = [at, at.closest('.ant-select-selector, nz-select, label, .ant-upload, nz-date-picker, .ant-picker'),
             at.nextElementSibling].filter(Boolean);
           window.stops.seen++;
           if (!rings.some(shows)) window.stops.lost.push(at.outerHTML.slice(0, 90));
         }));`,
    );
    await browser.keys(...Array.from({ length: STOPS }, () => Key.TAB));
    await browser.drawn();
    const { lost, seen } = await browser.driver.executeScript<{ lost: string[]; seen: number }>('return window.stops');
    // On a busy machine a stop may be left before its frame comes.
    return seen < STOPS / 2 ? [`only ${seen} stops were seen`] : lost.map((at) => `no ring on ${at}`);
  };

  const bareButtons = async () => {
    await asked({ name: 'forced-colors', value: 'active' });
    const found = await browser.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('.ant-btn, .ant-input, .ant-select-selector')]
         .filter((e) => e.offsetParent && !e.matches('.quiet') && getComputedStyle(e).borderTopStyle === 'none')
         .map((e) => e.className);`,
    );
    await asked();
    return found.map((which) => `no edge in the system's colours: ${which}`);
  };
});
