import { By, Key } from 'selenium-webdriver';
import { PATIENCE, type Browser } from './browser';

/** Signs in with one of the demo shop's seats. */
export async function takeSeat(browser: Browser, name: string): Promise<void> {
  await browser.turnTo('/');
  await browser.press(`${name},`);
  await browser.sees(`${name} ·`);
}

/** Leaves the seat, by the menu behind the person's name. */
export async function signOut(browser: Browser): Promise<void> {
  await browser.click(By.css('tm-person-menu button'));
  await browser.press('Sign out');
}

/** Turns the screen dark or light, by the same menu. */
export async function turnScreen(browser: Browser, to: 'Dark screen' | 'Light screen'): Promise<void> {
  await browser.click(By.css('tm-person-menu button'));
  await browser.press(to);
}

/** Opens one of the shop's shelves by its name in the list at the side. */
export async function openShelf(browser: Browser, name: string): Promise<void> {
  await browser.press('Shop');
  await browser.click(By.xpath(`//tm-shop-room//nav//a[normalize-space(.)='${name}']`));
}

/** Opens a combination of a list from the bench. */
export async function openCombination(browser: Browser, terminal: string, wire: string, list: string): Promise<void> {
  await browser.turnTo('/bench');
  await browser.click(By.xpath(`//tm-list-shelf//button[contains(., '${list}')]`));
  // Its lines alone: they do not name their list.
  await browser.driver.wait(
    async () =>
      (await browser.driver.findElements(By.css('tm-bench-table td.next'))).length > 0 &&
      (await browser.driver.findElements(By.css('tm-bench-table td.list'))).length === 0,
    PATIENCE,
    `${list} was not shown`,
  );
  // Asked in the page: the table may be drawn again between finding a line and reading it.
  const href = await browser.driver.wait(
    () =>
      browser.driver.executeScript<string | null>(
        `return [...document.querySelectorAll('tm-bench-table tr')]
           .find((row) => row.textContent.includes(arguments[0]) && row.textContent.includes(arguments[1]))
           ?.querySelector('a')?.href ?? null`,
        terminal,
        wire,
      ),
    PATIENCE,
    `${terminal} on ${wire} is not on the bench`,
  );
  const [, id = ''] = /bench\/([0-9a-f-]{36})/.exec(href ?? '') ?? [];
  // To where its work goes on, or to its beginning where nobody has touched it.
  await browser.turnTo(`/bench/${id}`);
  await browser.driver.wait(async () => /bench\/[0-9a-f-]+\/\w/.test(await browser.driver.getCurrentUrl()), PATIENCE);
  await browser.shown(By.css('tm-ladder, tm-lot-side'));
}

/** Goes to a stage by its rung on the ladder, which a lot that is being made keeps behind a link. */
export async function climbTo(browser: Browser, stage: string): Promise<void> {
  if ((await browser.driver.findElements(By.css('tm-lot-side'))).length) {
    if (stage === 'Lot') return;
    await browser.press('The set-up’s stages');
  }
  const rung = await browser.shown(By.xpath(`//tm-ladder//a[contains(., '${stage}')]`));
  await rung.click();
}

/** Whether the tool that is proposed has to be checked before it can be taken. */
const isCheckDue = async (browser: Browser) => /^(Check|Mount) /.test(await browser.heading());

/** Takes the proposed tool by keys alone; one whose check is due is checked first, with Space and Tab. */
export async function takeToolByKeys(browser: Browser): Promise<void> {
  await browser.sees('mark to verify');
  if (await isCheckDue(browser)) {
    await browser.keys(Key.ENTER);
    const first = (await (await browser.shown(By.css('tm-tool-check'))).getText()).includes('Selector:')
      ? 'It stands at'
      : 'It passes';
    await browser.driver.wait(
      async () => (await (await browser.driver.switchTo().activeElement()).getText()).startsWith(first),
      PATIENCE,
      `the focus is not on: ${first}`,
    );
    const selector = first === 'It passes' ? [] : [Key.SPACE, Key.TAB];
    const answers = [Key.SPACE, Key.TAB, Key.TAB, Key.TAB, Key.SPACE, Key.TAB, Key.TAB, '9100', Key.TAB, Key.ENTER];
    // One key after the other, as a hand does it: each answer opens the next question.
    for (const key of [...selector, ...answers]) {
      await browser.keys(key);
      await browser.drawn();
    }
    await browser.driver.wait(
      async () => !(await browser.driver.findElements(By.css('tm-tool-check'))).length,
      PATIENCE,
      'the check was not kept',
    );
    await browser.sees('Take it');
    await browser.driver.executeScript('document.activeElement?.blur()');
  }
  await browser.keys(Key.ENTER);
  await browser.sees('is taken.');
}

/** The same with the mouse. */
export async function takeToolByMouse(browser: Browser): Promise<void> {
  await browser.sees('mark to verify');
  if (await isCheckDue(browser)) {
    await browser.press('Check it: go and no-go');
    if ((await browser.text()).includes('Selector:')) await browser.press('It stands at');
    for (const answer of ['It passes', 'It stops', 'Keep this check']) await browser.press(answer);
  }
  await browser.press('Take it');
}

/** From Match to the last step of Crimp by keys alone. */
export async function setUpByKeys(browser: Browser, steps: number, strip: string): Promise<void> {
  await browser.sees('Go on to Prepare');
  await browser.keys(Key.ENTER);
  await browser.sees('Go on to Tool');
  await measureByKeys(browser, strip);
  await browser.keys(Key.ENTER);
  await takeToolByKeys(browser);
  await browser.keys(Key.ENTER);
  await browser.sees('Look at the stripped end');
  for (let i = 0; i < steps; i++) {
    await browser.keys(Key.ENTER);
    await browser.driver.wait(
      async () => (await browser.driver.findElements(By.css('tm-crimp-stage li .pass'))).length === i + 1,
      PATIENCE,
      `step ${i + 1} was not confirmed`,
    );
  }
  await browser.sees('sample pieces just like this');
}

/** Whether steps are confirmed by Enter or by their button. */
export type Way = 'keys' | 'mouse';

/** Types the same strip lengths for the first three pieces; of a splice one for each end. */
async function measureStrips(browser: Browser, way: Way, ...typed: readonly string[]): Promise<void> {
  const lengths = [1, 2, 3].flatMap(() => typed);
  for (const [i, length] of lengths.entries()) {
    const field = await browser.shown(By.id('strip-typed'));
    if (way === 'mouse') await field.click();
    await browser.keys(...(way === 'keys' && i === 0 ? ['m'] : []), length, ...(way === 'keys' ? [Key.ENTER] : []));
    if (way === 'mouse') await browser.press('Keep');
    await browser.driver.wait(
      async () =>
        (await browser.driver.findElements(By.css('section[aria-labelledby=measure-strip] .pass'))).length === i + 1,
      PATIENCE,
      `strip ${i + 1} was not kept`,
    );
  }
}

/** Types the strip lengths of the first three pieces by keys alone. */
export const measureByKeys = (browser: Browser, ...typed: readonly string[]): Promise<void> =>
  measureStrips(browser, 'keys', ...typed);

/**
 * Makes the first pieces step by step until every step is confirmed: lengths are measured where they are asked for, a locator is
 * set by trial, a barrel that is formed is moved by all strokes but the last.
 * @param strips lengths of the first wire of each end
 * @returns what each step was headed
 */
export async function makeFirstPieces(browser: Browser, way: Way, strips: readonly string[]): Promise<string[]> {
  const heads: string[] = [];
  const confirmed = async () => (await browser.driver.findElements(By.css('tm-crimp-stage ol li .pass'))).length;
  await browser.shown(By.css('tm-crimp-stage ol'));
  let measured = 0;
  for (let heading = await browser.heading(); !heading.includes('sample pieces just like this');) {
    heads.push(heading);
    const done = await confirmed();
    // Both ends of a splice are measured together, at the first of them.
    if (heading.includes('Look at the stripped end') && measured++ === 0) await measureStrips(browser, way, ...strips);
    if (heading.includes('by trial crimps')) await setLocatorByKeys(browser, '2.9', '2.5', '2.4');
    const isMoved = /Stroke \d/.test(heading) && !heading.includes('the last one');
    if (way === 'keys') await browser.keys(isMoved ? 'v' : Key.ENTER);
    else if (isMoved) await browser.press('It still moves: next nest');
    else await browser.click(By.css('tm-crimp-stage .foot .ant-btn-primary'));
    await browser.driver.wait(async () => (await confirmed()) > done, PATIENCE, `not confirmed: ${heading}`);
    heading = await browser.driver.wait(
      async () => {
        const now = await browser.heading();
        return now === heading && (await confirmed()) < (await steps(browser)) ? '' : now;
      },
      PATIENCE,
      `still at: ${heading}`,
    );
  }
  return heads;
}

const steps = async (browser: Browser) => (await browser.driver.findElements(By.css('tm-crimp-stage ol li'))).length;

/** Measures trial crimps of a locator, by keys alone, until it is set. */
export async function setLocatorByKeys(browser: Browser, ...typed: readonly string[]): Promise<void> {
  for (const [i, measured] of typed.entries()) {
    await browser.shown(By.id('locator-typed'));
    await browser.keys(...(i === 0 ? ['m'] : []), measured, Key.ENTER);
    await browser.driver.wait(
      async () => (await browser.driver.findElements(By.css('tm-locator-trial li'))).length === i + 1,
      PATIENCE,
      `trial ${i + 1} was not kept`,
    );
  }
  await browser.sees('is set by trial: lock it.');
}

/**
 * What Look asks for now: whether all is looked at, the point in hand, the middle of its range where a number is asked, and
 * how many points from here on the eye answers.
 */
async function askedInLook(
  browser: Browser,
): Promise<{ done: boolean; at: string; middle: string | null; ahead: number }> {
  return browser.driver.executeScript(`
    const here = document.querySelector('#points li.here');
    const range = /([\\d.]+) to ([\\d.]+) mm (over|across)/.exec(here?.textContent ?? '');
    const asked = here?.textContent?.includes('to be measured') && range;
    const rest = [...document.querySelectorAll('#points li')];
    const open = rest.slice(rest.indexOf(here)).filter((li) => !/not asked of this piece/.test(li.textContent));
    const number = open.findIndex((li) => li.textContent.includes('to be measured'));
    return {
      done: (document.querySelector('tm-look-stage h1')?.textContent ?? '').startsWith('All 5 pieces'),
      at: document.querySelector('tm-look-stage h1')?.textContent ?? '',
      ahead: number < 0 ? open.length : number,
      middle: asked ? ((Number(range[1]) + Number(range[2])) / 2).toFixed(3) : null,
    };`);
}

/** Says of every point of every piece that it is as drawn, and measures what is asked for, by `answer` and `measure`. */
async function lookThrough(
  browser: Browser,
  answer: (ahead: number) => Promise<void>,
  measure: (middle: string) => Promise<void>,
): Promise<void> {
  await browser.sees('Piece 1 of 5');
  for (let i = 0; i < 300; i++) {
    const asked = await askedInLook(browser);
    if (asked.done) return;
    if (asked.middle !== null) await measure(asked.middle);
    else await answer(asked.ahead);
    await browser.driver.wait(
      async () => (await askedInLook(browser)).at !== asked.at,
      PATIENCE,
      `'${asked.at}' was not kept`,
    );
  }
  throw new Error('there is no end to the points');
}

/** Looks at all pieces by keys alone: 1 for each point, a typed number where one is asked. */
export function lookByKeys(browser: Browser): Promise<void> {
  return lookThrough(
    browser,
    (ahead) => browser.keys(...Array.from({ length: Math.max(1, ahead) }, () => '1')),
    async (middle) => {
      // The cursor waits in the field of a point only a caliper can answer.
      await browser.driver.wait(
        async () => (await browser.driver.executeScript('return document.activeElement?.id')) === 'measured',
        PATIENCE,
      );
      await browser.keys(middle, Key.ENTER);
    },
  );
}

/** The same with the mouse. */
export function lookByMouse(browser: Browser): Promise<void> {
  return lookThrough(
    browser,
    async () => {
      await browser.click(By.css('tm-look-stage .foot .ant-btn-primary'));
    },
    async (middle) => {
      await browser.click(By.id('measured'));
      await browser.keys(middle);
      await browser.press('Keep');
    },
  );
}

/** Whether the next force is asked for: its field is there all the while, and seen only then. */
export async function isForceAsked(browser: Browser): Promise<boolean> {
  const [field] = await browser.driver.findElements(By.id('force'));
  return (await field?.isDisplayed()) ?? false;
}

/** Types one force, says how it failed (of a splice also which end: 8 or 9) and keeps it, by keys alone. */
export async function pullByKeys(browser: Browser, force: string, mode = '1', end = '8'): Promise<void> {
  // Wherever the focus is: digits go to the field.
  await browser.shown(By.id('force'));
  await browser.keys(force, Key.ENTER);
  await browser.sees('How did it fail?');
  await browser.keys(mode);
  await browser.shown(By.css('tm-pull-ask button.on'));
  if ((await browser.text()).includes('Which end failed?')) await browser.keys(end);
  await browser.keys(Key.ENTER);
  const isKept = () => isForceAsked(browser);
  // Of a piece nobody has looked at it asks why, and puts the cursor there.
  const isAsked = async () => (await browser.text()).includes('before anybody has looked at it');
  await browser.driver.wait(async () => (await isKept()) || (await isAsked()), PATIENCE, 'the reading was not kept');
  if (await isKept()) return;
  await browser.keys('pulled for the journey', Key.ENTER);
  await browser.driver.wait(isKept, PATIENCE, 'the reading was not kept with its reason');
}

/** Puts on record that somebody has looked at pieces of the combination in hand, so that pulling them asks for no reason. */
export async function lookedAt(browser: Browser, pieces: number): Promise<void> {
  const said = await browser.driver.executeAsyncScript<string>(
    `const done = arguments[arguments.length - 1];
     const id = location.pathname.split('/')[2];
     (async () => {
       for (let piece = 1; piece <= arguments[0]; piece++) {
         const body = { kind: 'finding', piece, criterion: 'mark', finding: 'accept', note: '' };
         const answer = await fetch('/api/combinations/' + id + '/entries', {
           method: 'POST',
           headers: { 'content-type': 'application/json' },
           body: JSON.stringify({ id: crypto.randomUUID(), body, corrects: null, why: null }),
         });
         if (!answer.ok) return answer.text();
       }
       return '';
     })().then(done);`,
    pieces,
  );
  if (said) throw new Error(said);
}
