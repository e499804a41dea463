import { randomUUID } from 'node:crypto';
import { By, Key } from 'selenium-webdriver';
import { readingOf } from '../../bench/src/load';
import { climbTo, isForceAsked, openCombination, takeSeat } from './bench';
import { AS_PEOPLE_HAVE_IT, Browser, PATIENCE } from './browser';

/* Part 'pages' of npm run bench: what a person waits for at Tug, with 400 readings on record against 5. Started by
   scripts/bench.mjs with the address of a server that has pages and the demo shop. */

const ADDRESS = process.argv[2] ?? '';
const ROUNDS = 5;
const ENTRIES = 20;

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

const share95 = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? NaN;

type Call = (method: string, path: string, body?: unknown, type?: string) => Promise<unknown>;

async function signIn(): Promise<Call> {
  const headers = { 'content-type': 'application/json' };
  const signedIn = await fetch(`${ADDRESS}/api/session`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ name: 'Odile', password: 'demo-odile-bench' }),
  });
  const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
  return async (method, path, body, type = 'application/json') => {
    const answer = await fetch(`${ADDRESS}/api/${path}`, {
      method,
      headers: { cookie, ...(body !== undefined && { 'content-type': type }) },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
    return answer.json() as Promise<unknown>;
  };
}

/** A combination of a list of its own with this many readings. */
async function prepare(list: string, readings: number): Promise<{ readonly put: (body: object) => Promise<unknown> }> {
  const call = await signIn();
  const csv = 'wire id,wire part,length mm,terminal a,terminal b,quantity\nA1,FL-W-0075,100,FL-RT-0406,-,400';
  await call('POST', `wire-lists?id=${randomUUID()}&name=${encodeURIComponent(list)}`, csv, 'text/csv');
  const { lines } = (await call('GET', `bench/lines?list=${encodeURIComponent(list)}`)) as { lines: { id: string }[] };
  const id = lines[0]?.id ?? '';
  const put = (body: object) =>
    call('POST', `combinations/${id}/entries`, { id: randomUUID(), body, corrects: null, why: null });
  const look = { document: 'FL-LOOK-03', revision: 'B', class: 'standard' };
  await put({ kind: 'tool', tool: 'HT-11', die: 'A', nest: '1', look });
  for (let piece = 1; piece <= readings; piece++) await put(readingOf(piece));
  return { put };
}

interface Measured {
  /** ms from the press on the rung until the stage is painted */
  readonly opening: number;
  /** ms from a key press until the next paint: in the middle, and the slowest */
  readonly press: number;
  readonly slowest: number;
  /** tasks over 50 ms, and the longest of them */
  readonly over: number;
  readonly longest: number;
  readonly elements: number;
}

async function measure(browser: Browser, list: string): Promise<Measured> {
  const openings: number[] = [];
  await openCombination(browser, 'FL-RT-0406', 'FL-W-0075', list);
  for (let round = 0; round < ROUNDS; round++) {
    await climbTo(browser, 'Look');
    await browser.shown(By.css('tm-look-stage'));
    const rung = await browser.shown(By.xpath("//tm-ladder//a[contains(., 'Tug')]"));
    openings.push(
      await browser.driver.executeAsyncScript<number>(
        `const done = arguments[1], before = performance.now();
         const look = () => document.querySelector('tm-tug-stage tbody tr')
           ? requestAnimationFrame(() => setTimeout(() => done(performance.now() - before)))
           : requestAnimationFrame(look);
         arguments[0].click(); look();`,
        rung,
      ),
    );
  }
  await browser.driver.executeScript(
    `window.tasks = []; window.presses = [];
     new PerformanceObserver((l) => l.getEntries().forEach((e) => window.tasks.push(e.duration))).observe({ type: 'longtask' });
     new PerformanceObserver((l) => l.getEntries().forEach((e) => e.name === 'keydown' && window.presses.push(e.duration)))
       .observe({ type: 'event', durationThreshold: 16 });`,
  );
  for (let entry = 0; entry < ENTRIES; entry++) {
    await browser.keys('118.4', Key.ENTER);
    await browser.shown(By.css('tm-pull-ask'));
    await browser.keys('1');
    const note = await browser.driver.findElements(By.id('reading-note'));
    if (note[0]) await note[0].sendKeys('bench');
    await browser.keys(Key.ENTER);
    await browser.driver.wait(
      async () => !(await browser.driver.findElements(By.css('tm-pull-ask'))).length,
      PATIENCE,
      'the reading was not kept',
    );
  }
  const seen = await browser.driver.executeScript<{ tasks: number[]; presses: number[]; elements: number }>(
    'return { tasks: window.tasks, presses: window.presses, elements: document.querySelectorAll("*").length }',
  );
  return {
    opening: median(openings),
    press: median(seen.presses),
    slowest: Math.max(0, ...seen.presses),
    over: seen.tasks.length,
    longest: Math.max(0, ...seen.tasks),
    elements: seen.elements,
  };
}

/** Slows the processor of the page down. */
const slow = (browser: Browser, times: number) =>
  browser.driver.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: times });

/** ms from the key that ends a force until its verdict is painted, of this many pulls. */
async function timeVerdicts(browser: Browser, list: string, pulls: number): Promise<number[]> {
  await openCombination(browser, 'FL-RT-0406', 'FL-W-0075', list);
  await climbTo(browser, 'Tug');
  await browser.shown(By.id('force'));
  await browser.driver.executeScript(
    `window.verdicts = [];
     let began = null;
     addEventListener('keydown', (e) => { if (e.key === 'Enter' && e.target.id === 'force') began = e.timeStamp; }, true);
     new MutationObserver(() => {
       if (began === null || !document.querySelector('tm-pull-field .verdict')) return;
       const from = began;
       began = null;
       requestAnimationFrame(() => setTimeout(() => window.verdicts.push(performance.now() - from)));
     }).observe(document.body, { subtree: true, childList: true });`,
  );
  for (let pull = 0; pull < pulls; pull++) {
    await browser.driver.wait(() => isForceAsked(browser), PATIENCE);
    await browser.keys('118.4', Key.ENTER);
    await browser.shown(By.css('tm-pull-field .verdict'));
    await browser.keys(Key.ESCAPE);
    await browser.driver.executeScript(
      "const f = document.getElementById('force'); if (f) { f.value = ''; f.dispatchEvent(new Event('input')); }",
    );
  }
  return browser.driver.executeScript<number[]>('return window.verdicts');
}

/** Combinations on the bench: each asks for another current, which makes it one of its own. */
async function fillBench(combinations: number): Promise<void> {
  const call = await signIn();
  const each = 1000;
  for (let list = 0; list * each < combinations; list++) {
    const rows = Array.from({ length: each }, (_, i) => `B${i},FL-W-0075,100,FL-RT-0406,-,4,${(i + 1) / 1000}`);
    const csv = ['wire id,wire part,length mm,terminal a,terminal b,quantity,current', ...rows].join('\n');
    await call(
      'POST',
      `wire-lists?id=${randomUUID()}&name=${encodeURIComponent(`long bench ${list + 1}`)}`,
      csv,
      'text/csv',
    );
  }
}

interface Opened {
  /** ms from asking for the page until the first lines are painted, loaded again, and from the room beside it */
  readonly reloaded: number;
  readonly fromBeside: number;
  /** what moved after it was drawn, as browsers count it */
  readonly shift: number;
  readonly elements: number;
}

async function openBench(browser: Browser): Promise<Opened> {
  const rows = "document.querySelectorAll('tm-bench-table td.next').length > 5";
  const reloads: number[] = [];
  const beside: number[] = [];
  let shift = 0;
  for (let round = 0; round < ROUNDS; round++) {
    await browser.go('/bench');
    await browser.driver.wait(() => browser.driver.executeScript(`return ${rows}`), 60_000);
    await browser.driver.sleep(1500);
    const [first, moved] = await browser.driver.executeScript<[number, number]>(
      'return [window.firstLines, window.moved]',
    );
    reloads.push(first);
    shift = Math.max(shift, moved);
    await browser.click(By.xpath("//header//a[.='Lots']"));
    await browser.shown(By.css('tm-lots-page h1'));
    await browser.driver.sleep(500);
    beside.push(
      await browser.driver.executeAsyncScript<number>(
        `const done = arguments[0], before = performance.now();
         const look = () => ${rows} ? requestAnimationFrame(() => setTimeout(() => done(performance.now() - before))) : requestAnimationFrame(look);
         document.querySelector('header a[href="/bench"]:not(.brand)').click(); look();`,
      ),
    );
  }
  const elements = await browser.driver.executeScript<number>('return document.querySelectorAll("*").length');
  return { reloaded: median(reloads), fromBeside: median(beside), shift, elements };
}

interface Stayed {
  /** elements of the page, and bytes its script holds after a collection, before and after */
  readonly elements: readonly [number, number];
  readonly heap: readonly [number, number];
  /** longest task while the news came in, ms */
  readonly longest: number;
}

/** A page that stays open at Tug while somebody else puts these pieces on record. */
async function stayOpen(browser: Browser, list: string, pieces: readonly number[]): Promise<Stayed> {
  const { put } = await prepare(list, 3);
  await openCombination(browser, 'FL-RT-0406', 'FL-W-0075', list);
  await climbTo(browser, 'Tug');
  await browser.shown(By.css('tm-tug-stage tbody tr'));
  const look = async () => {
    await browser.driver.sendDevToolsCommand('HeapProfiler.collectGarbage', {});
    return browser.driver.executeScript<[number, number]>(
      'return [document.querySelectorAll("*").length, performance.memory.usedJSHeapSize];',
    );
  };
  const before = await look();
  await browser.driver.executeScript(
    `window.tasks = [];
     new PerformanceObserver((l) => l.getEntries().forEach((e) => window.tasks.push(e.duration))).observe({ type: 'longtask' });`,
  );
  for (const piece of pieces) await put(readingOf(piece));
  const last = String(pieces.at(-1));
  await browser.driver.wait(
    async () => (await (await browser.shown(By.css('tm-tug-stage tbody tr'))).getText()).includes(last),
    PATIENCE,
    `the page did not hear of piece ${last}`,
  );
  const after = await look();
  const tasks = await browser.driver.executeScript<number[]>('return window.tasks');
  return {
    elements: [before[0], after[0]],
    heap: [before[1], after[1]],
    longest: Math.max(0, ...tasks),
  };
}

await fillBench(5000);
await prepare('pages few', 5);
await prepare('pages many', 400);
const browser = await Browser.open(ADDRESS, 1280, 800, AS_PEOPLE_HAVE_IT);
try {
  await takeSeat(browser, 'Odile');
  await browser.driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `window.moved = 0;
      new PerformanceObserver((l) => l.getEntries().forEach((e) => { if (!e.hadRecentInput) window.moved += e.value; }))
        .observe({ type: 'layout-shift', buffered: true });
      const look = () => document.querySelectorAll('tm-bench-table td.next').length > 5
        ? requestAnimationFrame(() => setTimeout(() => (window.firstLines = performance.now())))
        : requestAnimationFrame(look);
      look();`,
  });
  const told = ({ reloaded, fromBeside, shift, elements }: Opened) =>
    `${fromBeside.toFixed(0)} ms from the room beside it, ${reloaded.toFixed(0)} ms loaded again, layout shift ${shift.toFixed(3)}, elements ${elements}`;
  // Worked out once, as after a night: what is timed is the page.
  await browser.go('/bench');
  await browser.driver.wait(async () => !/working out|\?\?/.test(await browser.text()), 60_000);
  const bench = await openBench(browser);
  await slow(browser, 4);
  const slowBench = await openBench(browser);
  await slow(browser, 1);
  process.stdout.write(
    `Bench of 5,000 combinations: ${told(bench)} (goal 500 ms); with a processor 4 times slower: ${told(slowBench)} (goal 2000 ms)\n`,
  );
  const quick = await timeVerdicts(browser, 'pages few', 40);
  await slow(browser, 4);
  const slowed = await timeVerdicts(browser, 'pages few', 40);
  await slow(browser, 1);
  process.stdout.write(
    `From the key that ends a force to its verdict painted: 95 of 100 within ${share95(quick).toFixed(0)} ms (goal 50), middle ${median(quick).toFixed(0)}; with a processor 4 times slower ${share95(slowed).toFixed(0)} ms (goal 150), middle ${median(slowed).toFixed(0)}\n`,
  );
  const few = await measure(browser, 'pages few');
  const many = await measure(browser, 'pages many');
  const ratio = (key: keyof Measured) => (many[key] / Math.max(1, few[key])).toFixed(2);
  process.stdout.write(
    `Tug with 400 readings / with 5: opening ratio ${ratio('opening')} [${many.opening.toFixed(0)} against ${few.opening.toFixed(0)} ms, goal under 200]; ` +
      `key press to paint ${many.press.toFixed(0)} against ${few.press.toFixed(0)} ms, slowest ${many.slowest.toFixed(0)} against ${few.slowest.toFixed(0)}; ` +
      `tasks over 50 ms in ${ENTRIES} readings ${many.over} against ${few.over} (goal 0), longest ${many.longest.toFixed(0)} against ${few.longest.toFixed(0)} ms; ` +
      `elements ${many.elements} against ${few.elements}\n`,
  );
  const long = await stayOpen(
    browser,
    'pages long',
    Array.from({ length: 2000 }, (_, i) => i + 4),
  );
  const [before, after] = long.heap;
  process.stdout.write(
    `Tug open while 2,000 pulls come in: elements ${long.elements[1]} against ${long.elements[0]}; memory ${(after / before).toFixed(2)} times [${(after / 2 ** 20).toFixed(0)} against ${(before / 2 ** 20).toFixed(0)} MB]; longest task ${long.longest.toFixed(0)} ms\n`,
  );
  const gap = await stayOpen(browser, 'pages gap', [2000]);
  process.stdout.write(
    `Tug open while piece 2000 comes after 3: elements ${gap.elements[1]} against ${gap.elements[0]}; longest task ${gap.longest.toFixed(0)} ms (goal 50, 0: none over 50)\n`,
  );
} finally {
  await browser.close();
}
