import { By, Key } from 'selenium-webdriver';
import { expectAccessible } from './accessibility';
import { climbTo, openCombination, openShelf, takeSeat, turnScreen } from './bench';
import { Browser } from './browser';
import { Server } from './server';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 400_000;

/** 1280 by 1024 pixels looked at four times as large, which is what low sight asks of a page. */
const FOUR_TIMES = [320, 256] as const;
const PHONE = [390, 800] as const;
/** A ring that fades in is not there yet when it is looked for. */
const STILL = { name: 'prefers-reduced-motion', value: 'reduce' };
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
    for (const [room, sees] of [
      ['Bench', 'Sensor bar'],
      ['Lots', 'L-0402'],
      ['Charts', 'readings'],
      ['Records', 'Nothing in a record'],
    ] as const) {
      await browser.driver.findElement(By.xpath(`//header//a[.='${room}']`)).click();
      await at(room, sees);
    }
  });
  afterAll(async () => {
    await browser.close();
    await server.close();
  });
  const each = async (check: (view: (typeof views)[number]) => Promise<void>) => {
    for (const view of views) {
      await browser.go(view.path);
      await browser.sees(view.sees);
      await check(view);
    }
  };

  it('is read by whoever does not see it, light and dark, with its menu and its keys open too', async () => {
    await each(() => expectAccessible(browser));
    await (await browser.shown(By.css('tm-person-menu button'))).click();
    await browser.sees('Sign out');
    await expectAccessible(browser);
    await browser.keys(Key.ESCAPE);
    await browser.keys('?');
    await browser.sees('Keys of this screen');
    await expectAccessible(browser);
    await browser.keys('?');
    await browser.gone('.ant-drawer');
    await turnScreen(browser, 'Dark screen');
    await each(() => expectAccessible(browser));
    await turnScreen(browser, 'Light screen');
  });

  it('fits a phone, and a screen looked at four times as large, without being pushed sideways', async () => {
    const wide: string[] = [];
    await each(async ({ name }) => {
      for (const [width, height] of [PHONE, FOUR_TIMES]) {
        await browser.size(width, height);
        await browser.drawn();
        const over = await browser.driver.executeScript<number>(
          'return document.scrollingElement.scrollWidth - document.documentElement.clientWidth',
        );
        if (over > 0) wide.push(`${name}: ${over} px at ${width}`);
      }
      await browser.size(1280, 800);
    });
    expect(wide).toEqual([]);
  });

  it('shows where the keys are at every stop, and where its buttons end where the system has colours of its own', async () => {
    const hidden: string[] = [];
    const bare: string[] = [];
    await each(async ({ name }) => {
      await browser.driver.executeScript('document.activeElement?.blur(); window.scrollTo(0, 0)');
      for (let stop = 0; stop < STOPS; stop++) {
        await browser.driver.actions().sendKeys(Key.TAB).perform();
        // A frame later: a ring may come with a transition, however short.
        const lost = await browser.driver.executeAsyncScript<string | null>(
          `const done = arguments[0];
           requestAnimationFrame(() => requestAnimationFrame(() => {
             const at = document.activeElement;
             if (!at || at === document.body) return done(null);
             const rings = [at, at.closest('.ant-select-selector, nz-select, label, .ant-upload, nz-date-picker, .ant-picker'),
               at.nextElementSibling].filter(Boolean);
             const shows = (e) => {
               const s = getComputedStyle(e);
               return (s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) >= 2) || s.boxShadow !== 'none';
             };
             done(rings.some(shows) ? null : at.outerHTML.slice(0, 90));
           }));`,
        );
        if (lost) hidden.push(`${name}: ${lost}`);
      }
      await browser.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
        features: [{ name: 'forced-colors', value: 'active' }, STILL],
      });
      const found = await browser.driver.executeScript<string[]>(
        `return [...document.querySelectorAll('button.ant-btn, .file-choice, .ant-input, .ant-select-selector')]
           .filter((e) => e.offsetParent && !e.matches('.quiet') && getComputedStyle(e).borderTopStyle === 'none')
           .map((e) => e.className);`,
      );
      bare.push(...found.map((which) => `${name}: ${which}`));
      await browser.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', { features: [STILL] });
    });
    expect([...new Set(hidden)]).toEqual([]);
    expect([...new Set(bare)]).toEqual([]);
  });
});
